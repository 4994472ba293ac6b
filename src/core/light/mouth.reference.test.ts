import fc from 'fast-check';
import { packEmitters } from './emitter';
import { illuminanceLx } from './illuminance';
import { extraction, mouthAreaM2, stackLayers, type Layer, type Mouth } from './mouth';
import { mouthPatches } from './patches';
import { returnedLight } from './returned';

const layer = (transmittance: number, backReflectance: number, shiftMired = 0): Layer => ({
  name: 'sheet',
  transmittance,
  backReflectance,
  spreadDeg: 120,
  shiftMired,
  limitC: 100,
});
/** Area of the mouth below, Ø 30 cm. */
const DISC_M2 = Math.PI * 0.15 ** 2;
const mouth = (over: Partial<Mouth> = {}): Mouth => ({
  shape: 'disc',
  widthM: 0.3,
  heightM: 0.3,
  heightOverBackM: 0.08,
  layers: [],
  cavity: null,
  room: null,
  directShare: 1,
  ...over,
});

describe('layers with air between (docs/model/units.md, “Layers”)', () => {
  test('none passes all', () => {
    expect(stackLayers([])).toEqual({
      transmittance: 1,
      backReflectance: 0,
      spreadDeg: 0,
      shiftMired: 0,
    });
  });
  test('two of parchment by hand: 0.62²/(1 − 0.3²) = 0.4224', () => {
    const two = stackLayers([layer(0.62, 0.3, 6), layer(0.62, 0.3, 6)]);
    expect(two.transmittance).toBeCloseTo(0.3844 / 0.91, 12);
    expect(two.backReflectance).toBeCloseTo(0.3 + (0.3844 * 0.3) / 0.91, 12);
    expect(two.shiftMired).toBe(12);
  });
  test('nothing is made: τ + ρ stays below one for layers that absorb, in any number and order', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0.05, max: 0.6, noNaN: true }),
            fc.double({ min: 0, max: 0.39, noNaN: true }),
          ),
          { minLength: 1, maxLength: 5 },
        ),
        (sheets) => {
          const stack = stackLayers(sheets.map(([tau, rho]) => layer(tau, rho)));
          expect(stack.transmittance + stack.backReflectance).toBeLessThan(1);
          expect(stack.transmittance).toBeLessThanOrEqual(
            Math.min(...sheets.map(([tau]) => tau)) + 1e-12,
          );
        },
      ),
      { seed: 21 },
    );
  });
  test('lossless layers lose nothing', () => {
    const stack = stackLayers([layer(0.7, 0.3), layer(0.6, 0.4), layer(0.5, 0.5)]);
    expect(stack.transmittance + stack.backReflectance).toBeCloseTo(1, 12);
  });
});

describe('extraction', () => {
  test('freely hung: direct share times transmittance', () => {
    expect(extraction(mouth({ layers: [layer(0.5, 0.4)], directShare: 0.9 }))).toBeCloseTo(
      0.45,
      12,
    );
  });
  test('a lossless cavity lets all out, whatever its layers and shape (docs/model/transport.md)', () => {
    for (const layers of [[], [layer(0.4, 0.6)], [layer(0.7, 0.3), layer(0.5, 0.5)]])
      for (const directShare of [0, 0.3, 1])
        expect(
          extraction(
            mouth({
              layers,
              directShare,
              cavity: { mouthM2: DISC_M2, areaM2: 0.4, reflectance: 1 },
            }),
          ),
        ).toBeCloseTo(1, 9);
  });
  test('a black box lets out what goes straight', () => {
    expect(
      extraction(
        mouth({ directShare: 0.37, cavity: { mouthM2: DISC_M2, areaM2: 0.3, reflectance: 0 } }),
      ),
    ).toBeCloseTo(0.37, 12);
  });
  test('sphere with a cap port: η = τ·f/(1 − f·ρd − (1−f)·ρ) for light that first meets the wall (docs/model/transport.md)', () => {
    // The estimate starts one bounce later than the sphere's sum: divided by ρ they are the same.
    const [f, rho, tau, back] = [0.2, 0.92, 0.6, 0.34];
    const area = Math.PI * 0.15 ** 2;
    const found = extraction(
      mouth({
        directShare: 0,
        layers: [layer(tau, back)],
        cavity: { mouthM2: DISC_M2, areaM2: area / f, reflectance: rho },
      }),
    );
    const p = f / (1 - rho * (1 - f));
    expect(found).toBeCloseTo((tau * rho * p) / (1 - back * rho * p), 12);
    const sphere = (tau * f) / (1 - f * back - (1 - f) * rho);
    expect(found / sphere).toBeGreaterThan(0.85);
    expect(found / sphere).toBeLessThan(1.1);
  });
  test('the worked pan of docs/model/transport.md within a tenth: simulated η 0.7626 with, 0.9045 without a sheet', () => {
    const [R, H] = [0.15, 0.08];
    const discM2 = Math.PI * R * R;
    const pan = {
      cavity: { mouthM2: DISC_M2, areaM2: 2 * discM2 + 2 * Math.PI * R * H, reflectance: 0.92 },
      // Half way up, a Lambertian point on the rim sends this to the mouth.
      directShare: 0.5 * (1 - 0.04 / Math.hypot(0.04, 0.3)),
    };
    expect(Math.abs(extraction(mouth({ ...pan, layers: [] })) - 0.9045)).toBeLessThan(0.05);
    expect(
      Math.abs(extraction(mouth({ ...pan, layers: [layer(0.6, 0.34)] })) - 0.7626),
    ).toBeLessThan(0.08);
  });
  test('never more than was sent; brighter walls never lose', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.98, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.08, max: 2, noNaN: true }),
        (reflectance, directShare, areaM2) => {
          const at = (rho: number) =>
            extraction(
              mouth({ directShare, cavity: { mouthM2: DISC_M2, areaM2, reflectance: rho } }),
            );
          expect(at(reflectance)).toBeLessThanOrEqual(1 + 1e-12);
          expect(at(Math.min(1, reflectance + 0.02))).toBeGreaterThanOrEqual(
            at(reflectance) - 1e-12,
          );
        },
      ),
      { seed: 22 },
    );
  });
});

describe('patches of the mouth', () => {
  test('areas', () => {
    expect(mouthAreaM2(mouth())).toBeCloseTo(Math.PI * 0.15 ** 2, 12);
    expect(mouthAreaM2(mouth({ shape: 'rectangle', widthM: 0.6, heightM: 0.4 }))).toBeCloseTo(
      0.24,
      12,
    );
  });
  test('carry all the light between them, on the mouth and inside it', () => {
    for (const shape of ['disc', 'rectangle'] as const) {
      const patches = mouthPatches(mouth({ shape, widthM: 0.9, heightM: 0.3 }), 1000);
      expect(patches.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0)).toBeCloseTo(
        1000,
        9,
      );
      for (const { positionM } of patches) {
        expect(Math.abs(positionM[0])).toBeLessThan(0.45);
        expect(Math.abs(positionM[1])).toBeLessThan(0.15);
        expect(positionM[2]).toBe(0.08);
      }
    }
  });
  test.each([0.3, 0.6, 1.2, 3])('a disc on its axis at %f m: E = M·R²/(R² + d²)', (d) => {
    const R = 0.45;
    const flux = 1000;
    const patches = mouthPatches(
      mouth({ widthM: 2 * R, heightM: 2 * R, heightOverBackM: 0 }),
      flux,
    );
    const found = illuminanceLx(packEmitters(patches), [0, 0, d], [0, 0, -1]);
    const exitance = flux / (Math.PI * R * R);
    const exact = (exitance * R * R) / (R * R + d * d);
    expect(Math.abs(found / exact - 1)).toBeLessThan(d < 0.5 ? 0.06 : 0.015);
  });
  test('a square at a distance: rectangle configuration factor, parallel to a point', () => {
    const [a, d, flux] = [0.5, 1, 1000];
    const patches = mouthPatches(
      mouth({ shape: 'rectangle', widthM: 2 * a, heightM: 2 * a, heightOverBackM: 0 }),
      flux,
    );
    const found = illuminanceLx(packEmitters(patches), [0, 0, d], [0, 0, -1]);
    // Four corners of F = (1/2π)·(2·X/√(1+X²)·atan(X/√(1+X²))), X = a/d.
    const X = a / d;
    const root = Math.sqrt(1 + X * X);
    const factor = (4 / (2 * Math.PI)) * 2 * (X / root) * Math.atan(X / root);
    expect(found / ((flux / (4 * a * a)) * factor)).toBeCloseTo(1, 2);
  });
});

describe('a lit rectangle gives back', () => {
  const bulb = {
    positionM: [0, 0, 0.1] as const,
    axis: [0, 0, 1] as const,
    luminousFluxLm: 1000,
    spread: { class: 'omni' } as const,
  };
  const board = (widthM: number, lengthM: number, reflectance: number) => ({
    kind: 'rectangle' as const,
    widthM,
    lengthM,
    heightM: 0,
    reflectance,
  });
  const sum = (some: readonly { luminousFluxLm: number }[]) =>
    some.reduce((total, { luminousFluxLm }) => total + luminousFluxLm, 0);
  test('a wide board under an even lamp meets nearly half of its light', () => {
    expect(sum(returnedLight([bulb], [board(4, 4, 1)]))).toBeGreaterThan(440);
    expect(sum(returnedLight([bulb], [board(4, 4, 1)]))).toBeLessThan(530);
  });
  test('in proportion to its reflectance', () => {
    const half = sum(returnedLight([bulb], [board(1, 1, 0.5)]));
    expect(sum(returnedLight([bulb], [board(1, 1, 1)])) / half).toBeCloseTo(2, 9);
  });
  test('nothing from a lamp that looks away, never more than was sent', () => {
    const away = { ...bulb, spread: { class: 'lambert' } as const };
    expect(returnedLight([away], [board(1, 1, 1)])).toEqual([]);
    const near = { ...bulb, positionM: [0, 0, 0.001] as const };
    expect(sum(returnedLight([near], [board(1, 1, 1)]))).toBeLessThanOrEqual(1000 + 1e-9);
  });
});
