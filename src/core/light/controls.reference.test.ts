import fc from 'fast-check';
import { passes, prepareControls, rectangularSkirt, type Control } from './controls';
import type { Vector } from './vector';
import { packEmitters, type Emitter } from './emitter';
import { illuminanceLx } from './illuminance';

const through = (control: Control, from: Vector, to: Vector) =>
  passes(prepareControls([control]), from, to);

const flag: Control = {
  kind: 'plate',
  name: 'flag',
  points: [
    [0, -1, 0.5],
    [2, -1, 0.5],
    [2, 1, 0.5],
    [0, 1, 0.5],
  ],
};

describe('plates', () => {
  test('block what crosses them, nothing beside, before or behind them', () => {
    expect(through(flag, [0.5, 0, 0], [0.5, 0, 1])).toBe(0);
    expect(through(flag, [-0.5, 0, 0], [-0.5, 0, 1])).toBe(1);
    expect(through(flag, [0.5, 0, 0], [0.5, 0, 0.4])).toBe(1);
    expect(through(flag, [0.5, 1.2, 0], [0.5, 1.2, 1])).toBe(1);
  });
  test('corners run either way round; a ray may be walked either way', () => {
    const turned = { ...flag, points: [...flag.points].reverse() };
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 6, maxLength: 6 }),
        (numbers) => {
          const [a, b] = [numbers.slice(0, 3), numbers.slice(3)] as unknown as [Vector, Vector];
          expect(through(turned, a, b)).toBe(through(flag, a, b));
          expect(through(flag, b, a)).toBe(through(flag, a, b));
        },
      ),
      { seed: 31 },
    );
  });
  test('the shadow’s edge lies where similar triangles put it', () => {
    // Lamp at 0, edge at x = 0 … seen from a lamp at x = −0.1, half way: the shadow begins at +0.1.
    const edge = (x: number) => through(flag, [-0.1, 0, 0], [x, 0, 1]);
    expect(edge(0.0999)).toBe(1);
    expect(edge(0.1001)).toBe(0);
  });
});

describe('a hood', () => {
  const hood: Control = {
    kind: 'round',
    name: 'hood',
    fromM: 0,
    toM: 0.4,
    fromRadiusM: 0.2,
    toRadiusM: 0.2,
  };
  test('cuts off beyond its mouth: atan(r/length) from the middle', () => {
    const reach = (angle: number) =>
      through(hood, [0, 0, 0.001], [3 * Math.sin(angle), 0, 3 * Math.cos(angle)]);
    const cut = Math.atan2(0.2, 0.399);
    expect(reach(cut - 0.01)).toBe(1);
    expect(reach(cut + 0.01)).toBe(0);
  });
  test('a cone opens wider, and blocks from outside too', () => {
    const cone: Control = { ...hood, toRadiusM: 0.4 };
    expect(through(cone, [0, 0, 0.001], [1, 0, 1.2])).toBe(1);
    expect(through(hood, [0, 0, 0.001], [1, 0, 1.2])).toBe(0);
    expect(through(cone, [2, 0, 0.2], [0, 0, 0.2])).toBe(0);
  });
});

describe('a grid (docs/model/light.md: visible only within atan(cell/depth), open area on the axis)', () => {
  const grid: Control = {
    kind: 'grid',
    name: 'grid',
    zM: 0.1,
    cellM: 0.05,
    depthM: 0.1,
    openShare: 0.9,
  };
  const at = (angle: number, axis: 'x' | 'y' = 'x') => {
    const off = 2 * Math.tan(angle);
    return through(grid, [0, 0, 0], axis === 'x' ? [off, 0, 2] : [0, off, 2]);
  };
  test('its open area straight on, nothing beyond the cut-off, half way in between on a line', () => {
    const cut = Math.atan2(0.05, 0.1);
    expect(at(0)).toBeCloseTo(0.9, 12);
    for (const axis of ['x', 'y'] as const) {
      expect(at(cut + 1e-6, axis)).toBe(0);
      expect(at(Math.atan(Math.tan(cut) / 2), axis)).toBeCloseTo(0.45, 9);
    }
  });
  test('what shines behind it, away from it, is not touched', () => {
    expect(through(grid, [0, 0, 0], [1, 0, 0.05])).toBe(1);
  });
});

describe('in the lux', () => {
  const lamps: Emitter[] = [-0.2, 0, 0.2].map((x) => ({
    positionM: [x, 0, 0],
    axis: [0, 0, 1],
    luminousFluxLm: 300,
    spread: { class: 'lambert' },
  }));
  const lux = (controls: Control[], at: Vector = [0, 0, 2]) =>
    illuminanceLx(packEmitters(lamps, prepareControls(controls)), at, [0, 0, -1]);
  test('a flag takes the lamps it hides from a point, and only those', () => {
    const card: Control = { ...flag, points: flag.points.map(([x, y, z]) => [x + 0.05, y, z]) };
    const alone = illuminanceLx(packEmitters(lamps.slice(0, 2)), [0, 0, 2], [0, 0, -1]);
    expect(lux([card])).toBeCloseTo(alone, 9);
  });
  test('a skirt straight ahead leaves the axis alone and darkens the wall beside', () => {
    const skirt = rectangularSkirt('skirt', 0.6, 0.3, 0, 0.5);
    expect(lux(skirt)).toBe(lux([]));
    expect(lux(skirt, [3, 0, 1.5])).toBe(0);
    expect(lux([], [3, 0, 1.5])).toBeGreaterThan(1);
    expect(rectangularSkirt('flag', 1, 1, 0, 1, ['top']).map(({ name }) => name)).toEqual([
      'flag, top',
    ]);
  });
});
