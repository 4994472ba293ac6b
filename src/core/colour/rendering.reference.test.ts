import { columnOf, spectrumOf } from './grid';
import { cctOfUv, planckianUv } from './planck';
import { daylight, planckian, referenceFor } from './reference';
import { colourFigures } from './rendering';
import { FLUORESCENT } from './tables/fluorescent';
import { daylightXy, duvOf, uvOf, xyOf } from './chromaticity';
import { xyzOf } from './tristimulus';

/** Illuminant A by its formula [std: CIE 15, eq. 3.1]. */
const illuminantA = spectrumOf(
  (nm) =>
    100 *
    (560 / nm) ** 5 *
    (Math.expm1(1.435e7 / (2848 * 560)) / Math.expm1(1.435e7 / (2848 * nm))),
);

describe('CIE 15: illuminants', () => {
  test('A: x, y = 0.44757, 0.40745; 2856 K; Ra 100', () => {
    const found = colourFigures(illuminantA);
    expect(found.x).toBeCloseTo(0.44757, 4);
    expect(found.y).toBeCloseTo(0.40745, 4);
    expect(Math.abs(found.cctK - 2856)).toBeLessThan(1);
    expect(found.ra).toBeCloseTo(100, 0);
    expect(Math.abs(found.duv)).toBeLessThan(1e-4);
  });
  // x, y of the daylight illuminants [std: CIE 15, table T.3], at c2 = 1.4388e-2: 1.4388/1.4380 hotter.
  test.each([
    [5003, 0.34567, 0.3585],
    [5503, 0.33242, 0.34743],
    [6504, 0.31272, 0.32903],
    [7504, 0.29902, 0.31485],
  ])('daylight of %i K: x %f, y %f', (cctK, x, y) => {
    const [sx, sy] = xyOf(xyzOf(daylight(cctK)));
    expect(Math.abs(sx - x)).toBeLessThan(1e-4);
    expect(Math.abs(sy - y)).toBeLessThan(1e-4);
    expect(Math.abs(daylightXy(cctK)[0] - x)).toBeLessThan(2e-4);
    expect(Math.abs(colourFigures(daylight(cctK)).cctK - cctK)).toBeLessThan(8);
  });
  // Published x, y, CCT and Ra of F1 to F12 [std: CIE 15, table T.7 and CIE 13.3].
  test.each([
    [1, 0.3131, 0.3371, 6430, 76],
    [2, 0.3721, 0.3751, 4230, 64],
    [3, 0.4091, 0.3941, 3450, 57],
    [4, 0.4402, 0.4031, 2940, 51],
    [5, 0.3138, 0.3452, 6350, 72],
    [6, 0.3779, 0.3882, 4150, 59],
    [7, 0.3129, 0.3292, 6500, 90],
    [8, 0.3458, 0.3586, 5000, 95],
    [9, 0.3741, 0.3727, 4150, 90],
    [10, 0.3458, 0.3588, 5000, 81],
    [11, 0.3805, 0.3769, 4000, 83],
    [12, 0.437, 0.4042, 3000, 83],
  ])('F%i', (number, x, y, cctK, ra) => {
    const found = colourFigures(columnOf(FLUORESCENT, number - 1));
    expect(Math.abs(found.x - x)).toBeLessThan(4e-4);
    expect(Math.abs(found.y - y)).toBeLessThan(4e-4);
    expect(Math.abs(found.cctK - cctK)).toBeLessThan(12);
    expect(Math.abs(found.ra - ra)).toBeLessThanOrEqual(0.55);
  });
});

describe('Planckian locus', () => {
  test('round trips from 1700 to 20 000 K to 1 K', () => {
    for (let cctK = 1700; cctK <= 20_000; cctK *= 1.07)
      expect(Math.abs(cctOfUv(planckianUv(cctK)) - cctK)).toBeLessThan(1);
  });
  test('a black body has Ra 100 and Duv 0 below 5000 K', () => {
    for (const cctK of [1800, 2700, 4000, 4990]) {
      const found = colourFigures(planckian(cctK));
      expect(found.ra).toBeCloseTo(100, 1);
      expect(Math.abs(found.duv)).toBeLessThan(2e-5);
    }
  });
  // Daylight lies about 0.003 above the black body of the same temperature [std: ANSI C78.377, D65: 0.0032].
  test('Duv: D65 is 0.0032 above; mirrored it lies as far below', () => {
    const d65 = uvOf(xyzOf(daylight(6504)));
    expect(duvOf(d65)).toBeCloseTo(0.0032, 3);
    const locus = planckianUv(cctOfUv(d65));
    expect(duvOf({ u: 2 * locus.u - d65.u, v: 2 * locus.v - d65.v })).toBeCloseTo(-0.0032, 3);
  });
  test('the reference changes from black body to daylight at 5000 K', () => {
    expect(duvOf(uvOf(xyzOf(referenceFor(4999))))).toBeLessThan(1e-4);
    expect(duvOf(uvOf(xyzOf(referenceFor(5000))))).toBeGreaterThan(2e-3);
  });
});

test('light far from white is said to have no meaningful index', () => {
  const green = spectrumOf((nm) => Math.exp(-(((nm - 530) / 20) ** 2)));
  expect(colourFigures(green).meaningful).toBe(false);
  expect(colourFigures(planckian(3000)).meaningful).toBe(true);
});
