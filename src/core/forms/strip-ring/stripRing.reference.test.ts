import { straightened } from '../../drawing/path';
import { polygonAreaM2 } from '../kit/pieces';
import { INCH, demoBuild } from '../testing';

const ring = (over: Record<string, unknown> = {}) => demoBuild('lens-ring', over);

describe('5 m of tape on a ring of 40 cm outside and about 30 cm inside', () => {
  test('gives about 4½ rows (common practice)', () => {
    const { fact, resolved } = ring();
    const rows = fact('rows-full')! + (fact('row-part') ?? 0);
    expect(rows).toBeGreaterThan(4.2);
    expect(rows).toBeLessThan(4.9);
    expect(fact('tape-used')).toBeCloseTo(5, 6);
    expect(resolved.findings.map(({ id }) => id)).toContain('strip-ring.part-row');
  });
  test('by hand: rows of 2π·(155, 165, 175, 185 mm) and four bends make 4.313 m; 687 mm are left for the fifth', () => {
    const { fact } = ring();
    const full = 2 * Math.PI * (0.155 + 0.165 + 0.175 + 0.185) + 4 * 0.01;
    expect(fact('rows-full')).toBe(4);
    expect(fact('row-part')).toBeCloseTo((5 - full) / (2 * Math.PI * 0.195), 6);
    expect(fact('end')).toBeCloseTo((5 - full) / 0.195, 6);
  });
  test('rows that fit: (R − r − width)/pitch + 1', () => {
    expect(ring().fact('rows-fit')).toBe(5);
    expect(ring({ outerDiameterM: 0.42 }).fact('rows-fit')).toBe(6);
    expect(ring({ rowPitchM: 0.02 }).fact('rows-fit')).toBe(3);
  });
});

describe('laying', () => {
  test('half a metre from the outside goes less far round than from the inside', () => {
    expect(ring({ tapeLengthM: 0.5 }).fact('end')).toBeCloseTo(0.5 / 0.155, 6);
    expect(ring({ tapeLengthM: 0.5, startAt: 'outside' }).fact('end')).toBeCloseTo(0.5 / 0.195, 6);
  });
  test('what would fill it, and what is left of the reel', () => {
    const { fact } = ring({ tapeLengthM: 2 });
    expect(fact('tape-left')).toBeCloseTo(3, 6);
    expect(fact('tape-capacity')).toBeGreaterThan(4);
  });
  test('every point carries the same light, all of it in the rows', () => {
    const { resolved } = ring();
    const flux = resolved.emitters.map(({ luminousFluxLm }) => luminousFluxLm);
    expect(Math.max(...flux)).toBeCloseTo(Math.min(...flux), 9);
    expect(flux.reduce((sum, each) => sum + each, 0)).toBeCloseTo(5 * 1400, 6);
    for (const { positionM } of resolved.emitters) {
      const away = Math.hypot(positionM[0], positionM[1]);
      expect(away).toBeGreaterThan(0.15);
      expect(away).toBeLessThan(0.2);
    }
  });
});

describe('the board', () => {
  test('the rim and its tab in one closed line, the inner circle, a mark for every row', () => {
    const [board] = ring().sheets;
    const circles = board!.shapes.flatMap((shape) => (shape.kind === 'circle' ? [shape] : []));
    expect(circles.filter(({ layer }) => layer === 'cut').map(({ r }) => r)).toEqual([0.15]);
    // Cut apart, the outer circle would free the tab: rim and tab are one line.
    const cut = board!.shapes.filter(({ kind, layer }) => kind === 'polyline' && layer === 'cut');
    expect(cut).toMatchObject([{ closed: true }]);
    const line = cut[0]!.kind === 'polyline' ? straightened(cut[0]!) : [];
    const [cx, cy] = [board!.widthM / 2, board!.heightM - 0.01 - 0.2];
    for (const [x, y] of line) {
      const away = Math.hypot(x - cx, y - cy);
      const onTab = Math.abs(x - cx) <= 0.03 + 1e-9 && y < cy;
      if (!onTab) expect(Math.abs(away - 0.2)).toBeLessThan(2e-5);
    }
    expect(polygonAreaM2(line) - Math.PI * 0.15 ** 2).toBeCloseTo(board!.areaM2, 4);
    expect(circles.filter(({ layer }) => layer === 'mark')).toHaveLength(5);
    expect(circles.filter(({ layer }) => layer === 'drill')).toHaveLength(1);
    expect(board!.widthM).toBeCloseTo(0.42, 9);
    expect(board!.heightM).toBeCloseTo(0.42 + 0.06, 9);
  });
  test('what falls out is a disc of the inner Ø', () => {
    expect(ring().sheets[0]!.hole!.r).toBeCloseTo(0.15, 9);
  });
  test('no tab, no bolt', () => {
    const [board] = ring({ tabM: 0 }).sheets;
    expect(board!.shapes.some(({ layer }) => layer === 'drill')).toBe(false);
  });
});

describe('mistakes it catches', () => {
  test('coated tape refuses the curve', () => {
    expect(ring({ stripId: 'tape-coated-24' }).severity('strip-ring.coated')).toBe('stop');
  });
  test('the lens must look through', () => {
    expect(ring({ lensDiameterM: 0.295 }).ids).toContain('strip-ring.lens');
    expect(ring().ids).not.toContain('strip-ring.lens');
  });
  test('seams of dark', () => {
    expect(ring({ rowPitchM: 0.04 }).ids).toContain('strip-ring.seams');
  });
  test('what cannot be made is told at its field', () => {
    expect(ring({ innerDiameterM: 0.395 }).problems).toEqual(['innerDiameterM no_room']);
    expect(ring({ rowPitchM: 0.005 }).problems).toEqual(['rowPitchM rows_overlap']);
    expect(ring().problems).toEqual([]);
  });
  test('handles stop before that', () => {
    const { limits } = ring();
    expect(limits.innerDiameterM!.max).toBeLessThan(0.38);
    expect(limits.outerDiameterM!.min).toBeGreaterThan(0.32);
  });
  test('absurd sizes stop at the schema', () => {
    const { schemaTakes } = ring();
    for (const wrong of [
      { outerDiameterM: 1e6 },
      { rowPitchM: 0 },
      { tapeLengthM: -1 },
      { startAt: 'middle' },
    ])
      expect(schemaTakes(wrong)).toBe(false);
    expect(schemaTakes({ outerDiameterM: 16 * INCH })).toBe(true);
  });
});

test('power: 5 m of 14.4 W/m behind a supply of 87 % takes 82.8 W', () => {
  const { resolved } = ring();
  expect(resolved.groups[0]!.unit.wattsW.value).toBeCloseTo((14.4 * 5) / 0.87, 9);
  expect(resolved.wiring.loads).toHaveLength(1);
});
