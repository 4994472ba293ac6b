import { clashOf, mired } from './mired';
import { cctCss } from './display';
import { filamentAtLevel, levelForCct } from './incandescent';
import { mixedCctK } from './mix';
import { cctOfUv, planckianUv } from './planck';
import { CIE1931 } from './cie1931';

describe('Planckian locus (CIE 15)', () => {
  test('the observer table is whole: Σȳ·5 nm = 106.857 (CIE 15)', () => {
    expect(CIE1931.reduce((sum, row) => sum + row[1] * 5, 0)).toBeCloseTo(106.857, 3);
  });
  // CIE illuminant A is a black body of 2855.5 K with this c2: x = 0.44757, y = 0.40744 (CIE 15).
  test('2855.5 K lands on illuminant A', () => {
    const [x, y] = [0.44757, 0.40744];
    const locus = planckianUv(2855.5);
    expect(locus.u).toBeCloseTo((4 * x) / (-2 * x + 12 * y + 3), 4);
    expect(locus.v).toBeCloseTo((6 * y) / (-2 * x + 12 * y + 3), 4);
  });
  test.each([1700, 2700, 4000, 6500, 10_000, 20_000])('%i K round trip to 1 K', (cctK) => {
    expect(Math.abs(cctOfUv(planckianUv(cctK)) - cctK)).toBeLessThan(1);
  });
});

describe('CCT of light off the locus', () => {
  // x, y and CCT of CIE 15: daylight phases and fluorescent lamps of the F series; from memory.
  test.each([
    ['D50', 0.34567, 0.3585, 5003],
    ['D65', 0.31272, 0.32903, 6504],
    ['F2, cool white', 0.3721, 0.3751, 4230],
    ['F7, broad daylight', 0.3129, 0.3292, 6500],
    ['F11, narrow 4000 K', 0.3805, 0.3769, 4000],
    ['F12, narrow 3000 K', 0.437, 0.4042, 3000],
  ])('%s', (_name, x, y, expectedK) => {
    const denominator = -2 * x + 12 * y + 3;
    const cctK = cctOfUv({ u: (4 * x) / denominator, v: (6 * y) / denominator });
    expect(Math.abs(cctK / expectedK - 1)).toBeLessThan(0.003);
  });
});

describe('a screen’s hint of a colour temperature', () => {
  const channels = (cctK: number) => cctCss(cctK).match(/\d+/g)!.map(Number);
  test('brightest channel full, warm is red, cool is blue', () => {
    for (const cctK of [1500, 2700, 4000, 5600, 6500, 9000, 20_000]) {
      const [r, g, b] = channels(cctK) as [number, number, number];
      expect(Math.max(r, g, b)).toBe(255);
      expect(Math.min(r, g, b)).toBeGreaterThanOrEqual(0);
      expect(cctK < 6000 ? r > b : cctK > 7000 ? b > r : Math.abs(r - b) < 12).toBe(true);
    }
  });
  test('D65 is the white of the screen (IEC 61966-2-1), 6504 K all but', () => {
    for (const channel of channels(6504)) expect(channel).toBeGreaterThan(243);
  });
  test('cooler light is never redder', () => {
    const blueOverRed = [1500, 2000, 2700, 3200, 4000, 5000, 6500, 9000].map((cctK) => {
      const [r, , b] = channels(cctK) as [number, number, number];
      return b / r;
    });
    expect(blueOverRed).toEqual(blueOverRed.toSorted((a, b) => a - b));
  });
});

describe('mixing by lux share', () => {
  test('one source stays itself, none is none', () => {
    expect(mixedCctK([{ cctK: 2700, illuminanceLx: 10 }])).toBe(2700);
    expect(mixedCctK([{ cctK: 2700, illuminanceLx: 0 }])).toBeNull();
  });
  test('equal parts of 2700 K and 6500 K land between, on the warm side of the mean kelvin', () => {
    const mix = mixedCctK([
      { cctK: 2700, illuminanceLx: 50 },
      { cctK: 6500, illuminanceLx: 50 },
    ])!;
    expect(mix).toBeGreaterThan(1e6 / ((mired(2700) + mired(6500)) / 2) - 300);
    expect(mix).toBeLessThan(4600);
  });
  test('more of one pulls towards it', () => {
    const warm = (share: number) =>
      mixedCctK([
        { cctK: 2700, illuminanceLx: share },
        { cctK: 5000, illuminanceLx: 1 - share },
      ])!;
    expect(warm(0.8)).toBeLessThan(warm(0.5));
    expect(warm(0.5)).toBeLessThan(warm(0.2));
  });
});

test('mired and clashes (common practice)', () => {
  expect(mired(5000)).toBe(200);
  expect(mired(mired(3200))).toBeCloseTo(3200, 9);
  expect([5, 15, -40, 100].map(clashOf)).toEqual(['unseen', 'slight', 'visible', 'obvious']);
  // Both ends of the ranges of docs/model/light.md: < 10, 10–25, 25–60, > 60.
  expect([9.99, 10, 25, 25.01, 60, 60.01].map(clashOf)).toEqual([
    'unseen',
    'slight',
    'slight',
    'visible',
    'visible',
    'obvious',
  ]);
});

// Worked example of docs/model/light.md: 60 W, 800 lm, 2800 K at 20 % light → V 0.623, ≈ 28 W, ≈ 2295 K.
test('IES incandescent exponents', () => {
  const dim = filamentAtLevel(0.2);
  expect(dim.voltageRatio).toBeCloseTo(0.623, 3);
  expect(60 * dim.wattsRatio).toBeCloseTo(28.1, 1);
  expect(2800 * dim.cctRatio).toBeCloseTo(2295, 0);
  expect(dim.lifeRatio).toBeGreaterThan(400);
  expect(levelForCct(2800 * dim.cctRatio, 2800)).toBeCloseTo(0.2, 12);
  expect(filamentAtLevel(1)).toMatchObject({ voltageRatio: 1, wattsRatio: 1, cctRatio: 1 });
});
