import { sourceField } from './lightField';
import type { Spread } from '../units/spread';
import { packEmitters, type Emitter } from './emitter';
import { evennessOver } from './evenness';
import { illuminanceLx } from './illuminance';

const at = (x: number, y: number, spread: Spread, axis: Emitter['axis'] = [0, 0, 1]): Emitter => ({
  positionM: [x, y, 0],
  axis,
  luminousFluxLm: 100,
  spread,
});
const LAMBERT: Spread = { class: 'lambert' };

/** Beam angle whose half-peak falls where cos^m θ = ½, so that a test can ask for its m. */
const beam = (exponent: number): Spread => ({
  class: 'reflector',
  beamAngleDeg: (2 * Math.acos(0.5 ** (1 / exponent)) * 180) / Math.PI,
});
const withExponent = (exponent: number): Spread => (exponent === 1 ? LAMBERT : beam(exponent));

/** Second derivative of E along x at the middle of a parallel plane, relative to E there. */
function curvature(emitters: Emitter[], planeM: number): number {
  const field = packEmitters(emitters);
  const lx = (x: number) => illuminanceLx(field, [x, 0, planeM], [0, 0, -1]);
  const step = 1e-3 * planeM;
  return ((lx(step) - 2 * lx(0) + lx(-step)) / step ** 2 / lx(0)) * planeM ** 2;
}

/**
 * Maximally flat spacings over a parallel plane, I = I0·cos^m θ and the receiver's cosine counted
 * (docs/model/light.md; the same as Moreno and others, Applied Optics 45 (2006) 2265; from memory).
 */
describe('maximally flat LED arrays', () => {
  const h = 0.05;
  test.each([1, 2, 5, 20])('two, m = %i: d = h·√(4/(m+4))', (m) => {
    const pair = (d: number) => [at(-d / 2, 0, withExponent(m)), at(d / 2, 0, withExponent(m))];
    const flat = h * Math.sqrt(4 / (m + 4));
    expect(curvature(pair(flat), h)).toBeCloseTo(0, 3);
    expect(curvature(pair(flat * 1.1), h)).toBeGreaterThan(0.05);
    expect(curvature(pair(flat * 0.9), h)).toBeLessThan(-0.05);
  });
  test.each([
    [3, 1],
    [4, 1],
    [6, 3],
    [12, 10],
  ])('a ring of %i, m = %i: r = h·√(2/(m+3))', (count, m) => {
    const ring = (r: number) =>
      Array.from({ length: count }, (_, k) =>
        at(
          r * Math.cos((2 * Math.PI * k) / count),
          r * Math.sin((2 * Math.PI * k) / count),
          withExponent(m),
        ),
      );
    const flat = h * Math.sqrt(2 / (m + 3));
    expect(curvature(ring(flat), h)).toBeCloseTo(0, 3);
    expect(curvature(ring(flat * 1.1), h)).toBeGreaterThan(0.05);
    expect(curvature(ring(flat * 0.9), h)).toBeLessThan(-0.05);
  });
  test('rows closer than their stand-off look even, rows at three times it do not', () => {
    const rows = (pitch: number) =>
      sourceField(
        Array.from({ length: 41 * 41 }, (_, k) =>
          at(((k % 41) - 20) * pitch, (Math.floor(k / 41) - 20) * pitch, LAMBERT),
        ),
      );
    const ripple = (pitch: number) =>
      evennessOver(rows(pitch), h, pitch, pitch, 9, 9).plusMinusStops;
    expect(ripple(h)).toBeLessThan(0.1);
    expect(ripple(3 * h)).toBeGreaterThan(1);
  });
});

const SPREADS: Spread[] = [
  { class: 'omni' },
  { class: 'forward' },
  { class: 'side' },
  { class: 'tube' },
  LAMBERT,
  { class: 'reflector', beamAngleDeg: 36 },
];

describe('no light is made or lost', () => {
  test.each(SPREADS)(
    'through the six faces of a cube round it goes all of its flux: %j',
    (spread) => {
      // A turned axis, so that no symmetry hides an error.
      const field = packEmitters([at(0, 0, spread, [0.48, 0.6, 0.64])]);
      const cells = 60;
      let flux = 0;
      for (let axis = 0; axis < 3; axis++)
        for (const side of [-1, 1])
          for (let i = 0; i < cells; i++)
            for (let j = 0; j < cells; j++) {
              const across = [(2 * (i + 0.5)) / cells - 1, (2 * (j + 0.5)) / cells - 1];
              const point = [0, 1, 2].map((k) => (k === axis ? side : across.pop()!));
              const normal = [0, 1, 2].map((k) => (k === axis ? -side : 0));
              flux +=
                illuminanceLx(
                  field,
                  point as [number, number, number],
                  normal as [number, number, number],
                ) *
                (2 / cells) ** 2;
            }
      expect(flux / 100).toBeCloseTo(1, 2);
    },
  );
  test.each<Spread>([{ class: 'omni' }, { class: 'tube' }])(
    'a long line of %j: Φ′/(2π·h), whatever its law (docs/model/light.md: long line)',
    (spread) => {
      const [pitch, h] = [0.01, 0.5];
      const line = Array.from({ length: 12_001 }, (_, k) =>
        at((k - 6000) * pitch, 0, spread, [1, 0, 0]),
      );
      const perMetre = 100 / pitch;
      expect(illuminanceLx(packEmitters(line), [0, 0, h], [0, 0, -1]) / perMetre).toBeCloseTo(
        1 / (2 * Math.PI * h),
        4,
      );
    },
  );
});

describe('five-times rule (IES Lighting Handbook, from memory)', () => {
  /** A Lambert disc of Ø 1 m in points of equal area. */
  const rings = 40;
  const disc = packEmitters(
    Array.from({ length: rings * rings }, (_, k) => {
      const r = 0.5 * Math.sqrt((k + 0.5) / (rings * rings));
      const angle = k * Math.PI * (3 - Math.sqrt(5));
      return at(r * Math.cos(angle), r * Math.sin(angle), LAMBERT);
    }),
  );
  const flux = 100 * rings * rings;
  const lx = (d: number) => illuminanceLx(disc, [0, 0, d], [0, 0, -1]);
  test('at five widths a point is 1 % off, at one width 25 %', () => {
    expect(flux / Math.PI / 5 ** 2 / lx(5)).toBeCloseTo(1.01, 3);
    expect(flux / Math.PI / lx(1)).toBeCloseTo(1.25, 2);
  });
  test.each([0.3, 1, 3])('on its axis at %d m: E = π·L·R²/(R²+d²)', (d) => {
    // π·L·π·R² = Φ.
    expect(lx(d) / flux).toBeCloseTo(1 / (Math.PI * (0.25 + d ** 2)), 3);
  });
});
