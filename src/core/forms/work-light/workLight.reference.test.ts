import { doorNeeds } from '../kit/doors';
import { INCH, demoBuild } from '../testing';

const light = (over: Record<string, unknown> = {}) => demoBuild('corridor-work', over);

describe('leaves for a 6½ in lamp (common practice)', () => {
  const doors = light({
    faceWidthM: 6.5 * INCH,
    leafLengthM: 5.5 * INCH,
    topFreeM: 8 * INCH,
    cornerM: 1.5 * INCH,
    sideHingeM: 4.5 * INCH,
    sideFreeM: 2 * INCH,
  });
  const points = (piece: number) => {
    const outline = doors.sheets[piece]!.shapes.find(({ kind }) => kind === 'polyline')!;
    return outline.kind === 'polyline' ? outline.points.map(([x, y]) => [x / INCH, y / INCH]) : [];
  };
  test('two top and bottom leaves, two side leaves', () => {
    expect(doors.sheets.map(({ name, count }) => [name, count])).toEqual([
      ['Top and bottom leaf', 2],
      ['Side leaf', 2],
    ]);
  });
  test('6½ in at the hinge, widest 7.8 in where the corner begins, 5 in at the free edge, 5½ in long', () => {
    const xs = points(0).map(([x]) => x!);
    const ys = points(0).map(([, y]) => y!);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(5.5, 9);
    expect(xs[1]! - xs[0]!).toBeCloseTo(6.5, 9);
    expect(xs[2]! - xs[5]!).toBeCloseTo(6.5 + (1.5 * 4) / 5.5, 9);
    expect(xs[3]! - xs[4]!).toBeCloseTo(8 - 3, 9);
  });
  test('side leaf 4½ → 2 in', () => {
    const xs = points(1).map(([x]) => x!);
    expect(xs[1]! - xs[0]!).toBeCloseTo(4.5, 9);
    expect(xs[2]! - xs[3]!).toBeCloseTo(2, 9);
  });
  test('four hinge holes on every leaf for M4 (ISO 273: 4.5 mm), as many bolts again into the lamp', () => {
    for (const { shapes } of doors.sheets) {
      const holes = shapes.flatMap((shape) => (shape.kind === 'circle' ? [shape] : []));
      expect(holes.map(({ r }) => r)).toEqual([0.00225, 0.00225, 0.00225, 0.00225]);
      expect(holes[0]!.label).toContain('pilot 3.3 mm');
    }
    expect(doors.need('hinge')).toBe(8);
    expect(doors.need('bolt')).toBe(2 * 16);
  });
  // 1 mm of hinge, the board, a nut of 3.2 mm and two pitches of 0.7 mm [ISO 4032, ISO 261].
  test.each([
    [0.001, 'M4 × 8'],
    [0.005, 'M4 × 12'],
    [0.009, 'M4 × 16'],
  ])('hung on %p m they take %s', (rimM, size) => {
    const needs = doorNeeds({ boardPartId: null } as never, rimM, doors.context);
    expect(needs.at(-1)!.item).toMatchObject({ id: 'bolt', size });
  });
});

describe('mistakes it catches', () => {
  test('leaves that run into each other', () => {
    expect(light({ leafLengthM: 0.4, cornerM: 0 }).severity('doors.collide')).toBe('stop');
    expect(light().ids).not.toContain('doors.collide');
  });
  test('a side leaf longer than its edge', () => {
    expect(light({ sideHingeM: 0.3 }).severity('doors.side-wide')).toBe('stop');
  });
  test('the guard glass stays in a halogen lamp', () => {
    const halogen = { unitId: 'work-halogen-400' };
    expect(light({ ...halogen, glass: 'out' }).severity('work-light.glass')).toBe('stop');
    expect(light({ glass: 'out' }).severity('work-light.glass')).toBe('look');
    expect(light(halogen).ids).toContain('work-light.distance');
  });
});

describe('bounced', () => {
  const bounced = light({ aim: 'bounce' });
  test('the lit patch is the source: as large, and duller by its reflectance', () => {
    expect(bounced.resolved.apparent).toEqual({ widthM: 1.5, heightM: 1.5 });
    expect(bounced.resolved.mouth).toMatchObject({ directShare: 0.8, cavity: null });
    expect(bounced.fact('bounce-loss')).toBe(0.8);
  });
  test('direct, the lamp’s face is', () => {
    expect(light().resolved.mouth).toBeNull();
    expect(light().resolved.apparent.widthM).toBeCloseTo(0.165, 9);
  });
});
