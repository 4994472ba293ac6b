import fc from 'fast-check';
import { loopFromEndVolts, solveLadder, type Ladder } from './ladder';
import { evenFeeds } from './tapePlan';

const run = (over: Partial<Ladder> = {}): Ladder => ({
  lengthM: 5,
  loopOhmPerM: 0.16,
  supplyV: 24,
  wattsPerM: 9.6,
  load: 'current',
  feeds: [{ atM: 0, leadOhm: 0 }],
  segments: 500,
  ...over,
});
const drop = (ladder: Ladder) => ladder.supplyV - Math.min(...solveLadder(ladder).volts);

/** The same circuit by Gauss–Jordan elimination of the full nodal matrix: slow, and another way. */
function nodal({
  lengthM,
  loopOhmPerM,
  supplyV,
  wattsPerM,
  load,
  feeds,
  segments,
}: Ladder): number[] {
  const n = segments + 1;
  const step = lengthM / segments;
  const g = 1 / (loopOhmPerM * step);
  const rows = Array.from({ length: n }, () => Array<number>(n + 1).fill(0));
  for (let k = 0; k < n; k++) {
    const share = k === 0 || k === segments ? 0.5 : 1;
    const amps = ((wattsPerM * step) / supplyV) * share;
    if (load === 'resistance') rows[k]![k]! += amps / supplyV;
    else rows[k]![n]! -= amps;
    for (const other of [k - 1, k + 1])
      if (other >= 0 && other < n) {
        rows[k]![k]! += g;
        rows[k]![other]! -= g;
      }
  }
  for (const { atM, leadOhm } of feeds) {
    const k = Math.round(atM / step);
    rows[k]![k]! += 1 / leadOhm;
    rows[k]![n]! += supplyV / leadOhm;
  }
  for (let k = 0; k < n; k++) {
    const pivot = rows[k]![k]!;
    for (let c = k; c <= n; c++) rows[k]![c]! /= pivot;
    for (let r = 0; r < n; r++) {
      if (r === k) continue;
      const factor = rows[r]![k]!;
      if (factor !== 0) for (let c = k; c <= n; c++) rows[r]![c]! -= factor * rows[k]![c]!;
    }
  }
  return rows.map((row) => row[n]!);
}

describe('uniform load: closed forms (circuit theory)', () => {
  // 9.6 W/m at 24 V is 0.4 A/m; 5 m carry 2 A. I·R′·L/2 = 2·0.16·5/2 = 0.8 V.
  test('from one end ΔV = I·R′·L/2', () => expect(drop(run())).toBeCloseTo(0.8, 5));
  test('from both ends a quarter of it, at the middle', () => {
    const both = run({ feeds: [0, 5].map((atM) => ({ atM, leadOhm: 0 })) });
    const { volts } = solveLadder(both);
    expect(24 - volts[250]!).toBeCloseTo(0.2, 5);
    expect(volts.indexOf(Math.min(...volts))).toBe(250);
  });
  test('fed in the middle a quarter too, at the ends', () => {
    const { volts } = solveLadder(run({ feeds: [{ atM: 2.5, leadOhm: 0 }] }));
    expect(24 - volts[0]!).toBeCloseTo(0.2, 5);
    expect(24 - volts[500]!).toBeCloseTo(0.2, 5);
  });
  test('n even feeds: ΔV falls with n²', () => {
    for (const n of [2, 4, 5]) {
      const feeds = evenFeeds(5, n).map((atM) => ({ atM, leadOhm: 0 }));
      expect(drop(run({ feeds, segments: 1000 }))).toBeCloseTo(0.2 / n ** 2, 4);
    }
  });
  test('a lead adds I·R in front', () => {
    const { volts, feedA } = solveLadder(run({ feeds: [{ atM: 0, leadOhm: 0.1 }] }));
    expect(feedA[0]).toBeCloseTo(2, 6);
    expect(24 - volts[0]!).toBeCloseTo(0.2, 6);
  });
  test('resistive: V = V0·cosh(k(L − x))/cosh(kL), k² = R′·g′', () => {
    const k = Math.sqrt(0.16 * (9.6 / 24 ** 2));
    const { volts } = solveLadder(run({ load: 'resistance', segments: 2000 }));
    expect(volts.at(-1)).toBeCloseTo(24 / Math.cosh(k * 5), 4);
    expect(volts[1000]).toBeCloseTo((24 * Math.cosh(k * 2.5)) / Math.cosh(k * 5), 4);
  });
});

describe('against a direct nodal solve', () => {
  test.each(['current', 'resistance'] as const)(
    '%s, feeds anywhere, leads of any resistance',
    (load) => {
      fc.assert(
        fc.property(
          fc.array(
            fc.record({
              atM: fc.double({ min: 0, max: 3, noNaN: true }),
              leadOhm: fc.double({ min: 0.01, max: 1, noNaN: true }),
            }),
            { minLength: 1, maxLength: 8 },
          ),
          fc.double({ min: 0.05, max: 0.6, noNaN: true }),
          (feeds, loopOhmPerM) => {
            const ladder = run({
              lengthM: 3,
              segments: 60,
              load,
              feeds,
              loopOhmPerM,
              wattsPerM: 4.8,
            });
            const slow = nodal(ladder);
            const { volts } = solveLadder(ladder);
            for (const [k, v] of slow.entries()) expect(volts[k]).toBeCloseTo(v, 6);
          },
        ),
        { seed: 5, numRuns: 30 },
      );
    },
  );
});

describe('loads that answer their voltage', () => {
  test('what goes in at the feeds is what the diodes take, strings and constant power', () => {
    for (const load of ['string', 'power'] as const) {
      const ladder = run({ load, supplyV: 12, wattsPerM: 7.2, loopOhmPerM: 0.33 });
      const { volts, feedA, settled } = solveLadder(ladder);
      expect(settled).toBe(true);
      const step = 5 / 500;
      const amps = (7.2 / 12) * step;
      const taken = [...volts].reduce((sum, v, k) => {
        const share = k === 0 || k === 500 ? 0.5 : 1;
        const one =
          load === 'power' ? (amps * 12) / v : Math.max(0, (amps * (v / 12 - 0.75)) / 0.25);
        return sum + one * share;
      }, 0);
      expect(feedA[0]).toBeCloseTo(taken, 4);
    }
  });
  test('a string’s drop is milder than constant current’s, constant power’s is harsher', () => {
    const of = (load: Ladder['load']) =>
      drop(run({ load, supplyV: 12, wattsPerM: 4.8, loopOhmPerM: 0.33 }));
    expect(of('string')).toBeLessThan(of('resistance'));
    expect(of('resistance')).toBeLessThan(of('current'));
    expect(of('current')).toBeLessThan(of('power'));
  });
  test('5 m of 14.4 W/m at 12 V from one end: far end well below half as bright (common practice: too long)', () => {
    const { light } = solveLadder(
      run({ load: 'string', supplyV: 12, wattsPerM: 14.4, loopOhmPerM: 0.33 }),
    );
    expect(light.at(-1)).toBeLessThan(0.5);
    expect(light[0]).toBeCloseTo(1, 3);
  });
  test('more power than the copper passes is said, without a number that is none', () => {
    const { settled, volts } = solveLadder(
      run({ load: 'power', supplyV: 5, wattsPerM: 60, loopOhmPerM: 2 }),
    );
    expect(settled).toBe(false);
    for (const v of volts) expect(Number.isFinite(v)).toBe(true);
  });
});

test('copper from a metered end voltage: there and back', () => {
  for (const loopOhmPerM of [0.08, 0.16, 0.33, 0.9]) {
    const ladder = run({ load: 'string', supplyV: 12, loopOhmPerM, segments: 200 });
    const end = solveLadder(ladder).volts.at(-1)!;
    expect(loopFromEndVolts(ladder, end)).toBeCloseTo(loopOhmPerM, 5);
  }
  expect(loopFromEndVolts(run(), 25)).toBeNull();
  expect(loopFromEndVolts(run({ load: 'string' }), 3)).toBeNull();
});
