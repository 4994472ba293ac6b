import fc from 'fast-check';
import { sample } from '../../testing/sample';
import { sceneOf } from '../../evaluate/context';
import type { PartId, UnitId } from '../../ids';
import {
  continuousRows,
  cutRows,
  supplyCount,
  tapeFacts,
  toCutMark,
  type TapeChoice,
  type TapeRows,
} from './tape';
import { tapeLayingFindings } from './tapeLayingFindings';

const document = sample();
const { context } = sceneOf(document, document.builds[0]!);
const strip = (id: string) => document.shelf.units.find((unit) => unit.id === id)!.id;

describe('cut marks', () => {
  test('5 m of tape in 50 mm cut steps: 100 pieces (docs/model)', () => {
    expect(toCutMark(5, 0.05)).toBeCloseTo(5, 9);
    expect(Math.round(toCutMark(5, 0.05) / 0.05)).toBe(100);
  });
  test('never past the length asked for, never more than one mark short', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.double({ min: 0.01, max: 0.5, noNaN: true }),
        (length, mark) => {
          const cut = toCutMark(length, mark);
          expect(cut).toBeLessThanOrEqual(length + 2e-6);
          expect(length - cut).toBeLessThan(mark + 1e-9);
          expect(Math.abs(cut / mark - Math.round(cut / mark))).toBeLessThan(1e-6);
        },
      ),
      { seed: 5 },
    );
  });
});

describe('continuous rows', () => {
  test('fills row after row and says where it ends', () => {
    const rows = continuousRows([1, 1, 1], 2.5, 0.05, 0);
    expect(rows).toMatchObject({ fullRows: 2, usedM: expect.closeTo(2.5, 9) });
    expect(rows.lastShare).toBeCloseTo(0.5, 9);
    expect(rows.rowsM.map((row) => Number(row.toFixed(6)))).toEqual([1, 1, 0.5]);
  });
  test('a change of row takes tape too', () => {
    const rows = continuousRows([1, 1], 5, 0.1, 0.2);
    expect(rows.capacityM).toBeCloseTo(2.2, 9);
    expect(rows.usedM).toBeCloseTo(2.2, 9);
    expect(rows.fullRows).toBe(2);
  });
  test('more tape than room is cut at the last mark that fits', () => {
    expect(continuousRows([1.03], 5, 0.05, 0).usedM).toBeCloseTo(1, 9);
  });
  test('nothing fits where there are no rows', () => {
    expect(continuousRows([], 5, 0.05, 0)).toMatchObject({ usedM: 0, fullRows: 0, rowsM: [] });
  });
});

describe('rows cut one by one', () => {
  test('each row ends on a mark; the last one may be short', () => {
    const rows = cutRows([1.03, 1.03, 1.03], 2.3, 0.1);
    expect(rows.rowsM.map((row) => Number(row.toFixed(6)))).toEqual([1, 1, 0.3]);
    expect(rows.capacityM).toBeCloseTo(3, 9);
    expect(rows).toMatchObject({ fullRows: 2, lastShare: expect.closeTo(0.3, 9) });
  });
  test('rows shorter than one section hold none', () => {
    expect(cutRows([0.04, 0.04], 5, 0.05)).toMatchObject({ usedM: 0, capacityM: 0 });
  });
  test('laid is never more than asked for or than fits', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 3, noNaN: true }), { maxLength: 20 }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (lengths, tape) => {
          for (const rows of [
            cutRows(lengths, tape, 0.05),
            continuousRows(lengths, tape, 0.05, 0.01),
          ]) {
            expect(rows.usedM).toBeLessThanOrEqual(tape + 1e-5);
            expect(rows.usedM).toBeLessThanOrEqual(rows.capacityM + 1e-5);
            expect(rows.fullRows).toBeLessThanOrEqual(lengths.length);
            expect(rows.lastShare).toBeGreaterThanOrEqual(0);
            expect(rows.lastShare).toBeLessThanOrEqual(1);
          }
        },
      ),
      { seed: 6 },
    );
  });
});

const rows = (usedM: number, count = 5): TapeRows => ({
  rowsM: Array<number>(count).fill(usedM / count),
  usedM,
  capacityM: usedM,
  fullRows: count,
  lastShare: 0,
});
const chosen = (over: Partial<TapeChoice> & { tape?: string; supply?: string | null } = {}) => ({
  stripId: strip(over.tape ?? 'tape-24-120-4000') as UnitId,
  supplyPartId: (over.supply === undefined ? 'supply-24-100' : over.supply) as PartId | null,
  tapeLengthM: 5,
  level: 1,
  feed: over.feed ?? ('one' as const),
  leadLengthM: 1,
  leadMm2: 0.75 as const,
  connector: 'soldered' as const,
  outputs: 'separate' as const,
});

describe('traps of tape', () => {
  const ids = (
    tape: TapeChoice,
    laid = rows(5),
    curve: { radiusM: number } | null = null,
    metal = true,
  ) => tapeLayingFindings('f', tape, laid, curve, metal, context).map(({ id }) => id);

  test('a tape, a fitting supply, five metres: nothing to say', () => {
    expect(ids(chosen())).toEqual([]);
  });
  test('too much for one supply is shared', () => {
    // 14.4 W/m · 10 m = 144 W on supplies good for 80 W each.
    expect(supplyCount(chosen(), 10, context)).toBe(2);
  });
  test('coated tape in a curve is a stop; straight it is none', () => {
    const coated = chosen({ tape: 'tape-coated-24' });
    expect(ids(coated, rows(5), { radiusM: 0.2 })).toContain('f.coated');
    expect(ids(coated, rows(5), null)).not.toContain('f.coated');
  });
  test('too tight a bend', () => {
    expect(ids(chosen(), rows(5), { radiusM: 0.015 })).toContain('f.bend');
    expect(ids(chosen(), rows(5), { radiusM: 0.05 })).not.toContain('f.bend');
  });
  test('above 10 W/m without metal (common practice)', () => {
    expect(ids(chosen(), rows(5), null, false)).toContain('f.tape-heat');
    expect(ids(chosen({ tape: 'tape-24-60-5000' }), rows(5), null, false)).not.toContain(
      'f.tape-heat',
    );
    // A bi-colour tape of 20 W/m lights half: 10 W/m.
    expect(ids(chosen({ tape: 'tape-bi-24' }), rows(5), null, false)).not.toContain('f.tape-heat');
  });
  test('tape shorter than one mark', () => {
    expect(ids(chosen(), rows(0, 1))).toContain('f.no-tape');
  });
  test('nothing chosen, nothing said here', () => {
    expect(ids({ ...chosen(), stripId: null })).toEqual([]);
  });
});

test('facts: reels, what is left, the load', () => {
  const unit = document.shelf.units.find(({ id }) => id === 'tape-24-120-4000')!;
  if (unit.category !== 'strip') throw new Error('a tape');
  const fact = (id: string) =>
    tapeFacts(rows(6.9), unit, 'row').find((each) => each.id === id)?.value;
  expect(fact('reels')).toBe(2);
  expect(fact('tape-left')).toBeCloseTo(3.1, 9);
  expect(fact('tape-watts')).toBeCloseTo(6.9 * 14.4, 9);
  expect(fact('row-part')).toBeUndefined();
});
