import { part } from '../testing/makers';
import type { Support } from '../build/supports';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { demoBuild } from '../forms/testing';
import { bearsPa, bendingPa, bucklingN, cantileverM, sagM, secondMoment } from './beam';
import { pointLoadKg } from './hanging';
import { loadOnSupports } from './load';

/** Aluminium tube 25 × 2 mm, E 69 GPa. */
const tube = part('stick', { diameterM: 0.025, wallM: 0.002, stiffnessGPa: 69, massKgPerM: 0.4 });
/** Plastic conduit 20 × 1.8 mm, E 3 GPa. */
const conduit = part('stick', {
  diameterM: 0.02,
  wallM: 0.0018,
  stiffnessGPa: 3,
  massKgPerM: 0.15,
});
const { resolved: light } = demoBuild('clerk-pan');

describe('beams and columns (Euler–Bernoulli; figures worked by hand)', () => {
  test('second moment of a round tube 25 × 2 mm: π/64·(25⁴ − 21⁴) = 9628 mm⁴', () => {
    expect(secondMoment(tube) * 1e12).toBeCloseTo(9628.2, 0);
  });
  test('of a solid square 20 mm: 20⁴/12 = 13333 mm⁴', () => {
    const bar = { ...tube, profile: 'square', diameterM: 0.02, wallM: 0 } as const;
    expect(secondMoment(bar) * 1e12).toBeCloseTo(13333.3, 0);
  });
  test('sag 5·w·L⁴/(384·E·I): 2.5 m, 1 kg/m of aluminium is 7.5 mm; twice the span sags sixteen times as far', () => {
    // 5 · 9.81 · 2.5⁴ / (384 · 69e9 · 9.628e-9) = 7.51 mm.
    expect(sagM(tube, 2.5, 1) * 1000).toBeCloseTo(7.51, 2);
    expect(sagM(tube, 4, 1) / sagM(tube, 2, 1)).toBeCloseTo(16, 9);
  });
  test('Euler, fixed and free: 1 m of that tube gives way at π²·69e9·9.628e-9/4 = 1639 N', () => {
    expect(bucklingN(tube, 1)).toBeCloseTo(1639, 0);
    expect(bucklingN(tube, 2)).toBeCloseTo(bucklingN(tube, 1) / 4, 6);
  });
  test('a cantilever of 1 m under 10 N bends 10/(3·664.3) = 5.02 mm; 10 N·m load its fibre with 13 MPa', () => {
    expect(cantileverM(tube, 1, 10) * 1000).toBeCloseTo(5.018, 2);
    expect(bendingPa(tube, 10) / 1e6).toBeCloseTo((10 * 0.0125) / 9.6282e-9 / 1e6, 2);
  });
  test('what materials bear (typical; from memory): conduit 24 MPa, batten 30, aluminium 69, steel 200', () => {
    const bears = (stiffnessGPa: number) => bearsPa({ ...tube, stiffnessGPa }) / 1e6;
    expect([3, 10, 69, 200].map(bears)).toEqual(
      [24, 30, 69, 200].map((mpa) => expect.closeTo(mpa, 6)),
    );
  });
});

const holding = (
  support: Partial<Support> & { kind: Support['kind'] },
  over: Partial<ResolvedBuild> = {},
) =>
  loadOnSupports({
    ...light,
    massKg: 10,
    momentKgM: 0,
    built: { widthM: 0.5, heightM: 0.5, depthM: 0.1 },
    ...over,
    supports: [{ id: 'it', ownKg: 0, ref: 'it', field: 'points', ...support } as Support],
  }).map(({ id, severity }) => `${id} ${severity}`);

describe('points', () => {
  test('a third more for uneven ropes; all but one when one fails', () => {
    expect(pointLoadKg(6, 12)).toBeCloseTo(2.66, 9);
    expect(pointLoadKg(3, 12)).toBe(6);
    expect(pointLoadKg(1, 12)).toBe(12);
  });
  test('more points never carry more each', () => {
    for (let points = 1; points < 12; points++)
      expect(pointLoadKg(points + 1, 10)).toBeLessThanOrEqual(pointLoadKg(points, 10));
  });
  test.each([
    [{ points: 1 }, {}, 'it.points stop', false],
    [{ points: 2 }, { built: { widthM: 3, heightM: 0.2, depthM: 0.1 } }, 'it.points stop', false],
    [{ points: 1 }, { built: { widthM: 3, heightM: 0.2, depthM: 0.1 } }, 'it.points stop', true],
    [{ points: 2 }, { built: { widthM: 3, heightM: 2, depthM: 0.1 } }, 'it.points stop', true],
    [{ points: 3 }, { built: { widthM: 3, heightM: 2, depthM: 0.1 } }, 'it.points stop', false],
    [{ points: 3, bonds: false }, {}, 'it.bond stop', true],
    [{ points: 3, limitKg: 4.9 }, {}, 'it.load stop', true],
    [{ points: 3, limitKg: 5 }, {}, 'it.load ok', true],
  ])('%j %j: %s is %s', (support, over, said, expected) => {
    const found = holding(
      { kind: 'hoist', limitKg: 50, bonds: true, bondsField: null, ...support },
      over,
    );
    expect(found.includes(said)).toBe(expected);
  });
  test('sag: nothing, a look from a hundredth of the span, a stop from a twentieth', () => {
    const beam = (spanM: number) => holding({ kind: 'beam', pipe: tube, spanM, loadedM: 10 });
    expect(beam(2)).toEqual([]);
    expect(beam(3.5)).toEqual(['it.sag look']);
    expect(beam(6)).toEqual(['it.sag stop']);
  });
});

describe('stands', () => {
  const stand = (over: object, build: Partial<ResolvedBuild> = {}) =>
    holding(
      {
        kind: 'stand',
        pipe: tube,
        uprights: 2,
        uprightM: 1,
        foreM: 0.5,
        sideM: 0.5,
        foreField: 'footPieceM',
        sideField: 'crossPieceM',
        uprightField: 'uprightM',
        uprightsField: 'uprights',
        mostUprights: 4,
        ...over,
      } as never,
      build,
    );
  test('a broad foot of stiff pipe is fine', () => expect(stand({})).toEqual(['it.tip ok']));
  test('conduit that carries ten kilograms two metres up buckles and bends', () => {
    const found = stand({ pipe: conduit, uprightM: 2 });
    expect(found).toContain('it.buckles stop');
    expect(found).toContain('it.bends stop');
    expect(stand({ uprightM: 2 })).not.toContain('it.buckles stop');
  });
  test('more reach, thicker pipe and shorter uprights never make it worse', () => {
    const rank = (found: string[]) =>
      found.filter((each) => each.endsWith('stop')).length * 100 +
      found.filter((each) => each.endsWith('look')).length;
    for (let k = 1; k < 12; k++) {
      const step = (n: number) => ({
        foreM: 0.1 * n,
        sideM: 0.1 * n,
        pipe: { ...conduit, diameterM: 0.016 + 0.004 * n },
        uprightM: 3 - 0.2 * n,
      });
      expect(rank(stand(step(k + 1)))).toBeLessThanOrEqual(rank(stand(step(k))));
    }
  });
});
