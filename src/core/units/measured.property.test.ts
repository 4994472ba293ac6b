import fc from 'fast-check';
import { packEmitters } from '../light/emitter';
import { illuminanceLx } from '../light/illuminance';
import { annulusReturn } from '../light/annulus';
import { distributionOf, fluxOf } from '../light/farField';
import { sourceField } from '../light/lightField';
import { readUnitSpread } from '../formats/unitSpread';
import { writeIes } from '../formats/ies';
import { writeEulumdat } from '../formats/eulumdat';
import {
  backwardShare,
  intensityPerLm,
  prepareSpread,
  quantilesOf,
  spreadKey,
  spreadSchema,
  zonesLm,
  type Spread,
} from './spread';

type Measured = Extract<Spread, { class: 'measured' }>;
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** A smooth distribution: a forward lobe of some width, some light to the sides, some behind. */
const measured = fc
  .record({
    lobe: number(1, 30),
    sides: number(0, 1),
    behind: number(0, 1),
    steps: fc.constantFrom(36, 72),
  })
  .map(({ lobe, sides, behind, steps }): Measured => ({
    class: 'measured',
    cdPerKlm: Array.from({ length: steps + 1 }, (_, k) => {
      const theta = (Math.PI * k) / steps;
      const front = Math.max(0, Math.cos(theta)) ** lobe;
      return (
        100 * front +
        40 * sides * Math.sin(theta) +
        30 * behind * Math.max(0, -Math.cos(theta)) +
        0.01
      );
    }),
  }));
const emitter = (spread: Spread, luminousFluxLm = 1000) =>
  ({ positionM: [0, 0, 0], axis: [0, 0, 1], luminousFluxLm, spread }) as const;

describe('any measured spread', () => {
  test('is one lumen, whatever its scale', () => {
    fc.assert(
      fc.property(measured, number(0.01, 100), (spread, scale) => {
        const own = prepareSpread(spread);
        const other = prepareSpread({
          class: 'measured',
          cdPerKlm: spread.cdPerKlm.map((cd) => cd * scale),
        });
        expect(zonesLm(own.table).reduce((sum, zone) => sum + zone, 0)).toBeCloseTo(1, 9);
        for (const cosine of [-0.9, -0.2, 0.3, 0.99])
          expect(intensityPerLm(other, cosine)).toBeCloseTo(intensityPerLm(own, cosine), 9);
      }),
      { seed: 61, numRuns: 60 },
    );
  });
  test('the share sent backwards grows with the angle, up to half the sphere', () => {
    fc.assert(
      fc.property(measured, (spread) => {
        const own = prepareSpread(spread);
        let before = 0;
        for (let psi = 0; psi <= Math.PI / 2; psi += 0.07) {
          const share = backwardShare(own, psi);
          expect(share).toBeGreaterThanOrEqual(before - 1e-12);
          before = share;
        }
        expect(before).toBeLessThan(1);
      }),
      { seed: 62, numRuns: 60 },
    );
  });
  test('quantiles part the flux evenly: drawn by them, its mean cosine is its own', () => {
    fc.assert(
      fc.property(measured, (spread) => {
        const { table } = prepareSpread(spread);
        const cosines = quantilesOf(table);
        const drawn =
          cosines.slice(1).reduce((sum, next, k) => sum + (next + cosines[k]!) / 2, 0) /
          (cosines.length - 1);
        const step = Math.PI / (table.length - 1);
        const own = zonesLm(table).reduce(
          (sum, zone, k) => sum + (zone * (Math.cos(k * step) + Math.cos((k + 1) * step))) / 2,
          0,
        );
        expect(drawn).toBeCloseTo(own, 2);
      }),
      { seed: 63, numRuns: 60 },
    );
  });
  test('lights a point by I·cos β/d², from a table as from its own function', () => {
    fc.assert(
      fc.property(measured, number(0.3, 6), number(0, 2.6), (spread, distance, theta) => {
        const field = packEmitters([emitter(spread)]);
        const [x, z] = [distance * Math.sin(theta), distance * Math.cos(theta)];
        const lux = illuminanceLx(field, [x, 0, z], [-Math.sin(theta), 0, -Math.cos(theta)]);
        const cd = 1000 * intensityPerLm(prepareSpread(spread), Math.cos(theta));
        expect(lux).toBeCloseTo(cd / distance ** 2, 6);
      }),
      { seed: 64, numRuns: 80 },
    );
  });
  test('a board behind it sends back no more than reaches it', () => {
    fc.assert(
      fc.property(measured, number(0.02, 0.2), (spread, heightM) => {
        const board = {
          kind: 'annulus',
          innerRadiusM: 0.05,
          outerRadiusM: 0.4,
          heightM: -heightM,
          reflectance: 0.8,
        } as const;
        const back = annulusReturn([emitter(spread)], board).reduce(
          (sum, { luminousFluxLm }) => sum + luminousFluxLm,
          0,
        );
        const backwards = 1000 * backwardShare(prepareSpread(spread), Math.PI / 2);
        expect(back).toBeGreaterThanOrEqual(0);
        expect(back).toBeLessThanOrEqual(0.8 * backwards + 1e-6);
      }),
      { seed: 65, numRuns: 40 },
    );
  });
  test('told apart by its figures; dark, short and negative tables stop at the door', () => {
    const table = Array.from({ length: 37 }, (_, k) => k + 1);
    const key = (cdPerKlm: number[]) => spreadKey({ class: 'measured', cdPerKlm });
    expect(key(table)).not.toBe(key(table.toReversed()));
    const read = (cdPerKlm: number[]) =>
      spreadSchema.safeParse({ class: 'measured', cdPerKlm }).success;
    expect(read(table)).toBe(true);
    expect(read(table.slice(0, 10))).toBe(false);
    expect(read(table.map((cd) => -cd))).toBe(false);
    expect(read(Array<number>(400).fill(1))).toBe(false);
  });
});

describe('files', () => {
  const photometry = (spread: Spread) => ({
    name: 'unit',
    ...distributionOf(sourceField([emitter(spread)]), [0, 0, 0], 0.1),
    how: 'worked out, not measured',
    lampLm: 1000,
    wattsW: 9,
    cctK: null,
    criRa: null,
    widthM: 0.1,
    heightM: 0.1,
    round: true,
    date: '2026-11-25',
    notes: [],
  });
  const bytes = (text: string) => new TextEncoder().encode(text);
  test('any spread through either format keeps its flux to 0.5 %', () => {
    fc.assert(
      fc.property(measured, fc.constantFrom(writeIes, writeEulumdat), (spread, write) => {
        const given = photometry(spread);
        const read = readUnitSpread(bytes(write(given)), 'a.ies');
        if (!read.ok) throw new Error(read.problems[0]!.message);
        expect(Math.abs(read.value.luminousFluxLm / fluxOf(given) - 1)).toBeLessThan(0.005);
      }),
      { seed: 66, numRuns: 30 },
    );
  });
  test('a file with a line lost, doubled or spoilt is read or refused, never thrown', () => {
    const sources = [writeIes, writeEulumdat].map((write) =>
      write(photometry({ class: 'forward' })).split('\r\n'),
    );
    const spoil = fc.record({
      which: fc.constantFrom(0, 1),
      line: fc.nat({ max: 400 }),
      how: fc.constantFrom('lost', 'doubled', 'word', 'huge', 'negative'),
    });
    fc.assert(
      fc.property(spoil, ({ which, line, how }) => {
        const lines = [...sources[which]!];
        const at = line % lines.length;
        if (how === 'lost') lines.splice(at, 1);
        else if (how === 'doubled') lines.splice(at, 0, lines[at]!);
        else lines[at] = { word: 'abc', huge: '1e308 1e308', negative: '-5' }[how];
        const read = readUnitSpread(bytes(lines.join('\r\n')), 'a.ldt');
        if (read.ok) {
          expect(Number.isFinite(read.value.luminousFluxLm)).toBe(true);
          for (const cd of read.value.spread.cdPerKlm)
            expect(Number.isFinite(cd) && cd >= 0).toBe(true);
        } else expect(read.problems[0]!.message.length).toBeGreaterThan(10);
      }),
      { seed: 67, numRuns: 250 },
    );
  });
  test('any bytes at all', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 3000 }), (some) => {
        expect(readUnitSpread(some, 'noise.ies').ok).toBe(false);
      }),
      { seed: 68, numRuns: 150 },
    );
  });
});
