import { toDegrees } from '../angle';
import type { Vector } from '../light/vector';
import { inTheWay } from './faces';
import { hidingTurn, mirrored, seenIn, turnedGlass, type Front } from './mirror';

/** A picture 0.6 m wide and 0.8 m high on the wall y = 0, facing into the room. */
const glass = {
  corner: [-0.3, 0, 1.1] as Vector,
  across: [0, 0, 0.8] as Vector,
  along: [0.6, 0, 0] as Vector,
};
const camera: Vector = [0.8, 3, 1.5];
const square = (id: string, [x, y, z]: Vector, half = 0.001): Front => ({
  id,
  corners: [
    [x - half, y, z - half],
    [x + half, y, z - half],
    [x + half, y, z + half],
    [x - half, y, z + half],
  ],
});

test('a mirrored place stands as far behind', () => {
  expect(mirrored([0.2, 1.5, 1], glass)).toEqual([0.2, -1.5, 1]);
});

describe('what is seen in a glass, by construction', () => {
  // The way from the camera over the middle of the glass goes on to (−0.8, 3, 1.5): as steep on both sides.
  test.each<[string, Vector, boolean]>([
    ['as steep on both sides of its middle', [-0.8, 3, 1.5], true],
    ['by its left edge, just inside', [-1.395, 3, 1.5], true],
    ['by its left edge, just outside', [-1.41, 3, 1.5], false],
    ['over its upper edge, just inside', [-0.8, 3, 2.29], true],
    ['over its upper edge, just outside', [-0.8, 3, 2.31], false],
    ['behind the wall', [-0.8, -1, 1.5], false],
  ])('%s', (_, at, seen) => {
    expect(seenIn(glass, [square('key', at)], camera)).toEqual(seen ? ['key'] : []);
  });
  test('any part of a front is enough', () => {
    expect(seenIn(glass, [square('key', [-1.6, 3, 1.5], 0.3)], camera)).toEqual(['key']);
  });
  test('what stands between hides it; a camera behind sees nothing', () => {
    const flag = {
      id: 'flag',
      corner: [-0.7, 1.4, 1.2] as Vector,
      across: [0.6, 0, 0] as Vector,
      along: [0, 0, 0.6] as Vector,
      reflectance: [0, 0, 0] as const,
    };
    expect(seenIn(glass, [square('key', [-0.8, 3, 1.5])], camera, inTheWay([flag]))).toEqual([]);
    expect(seenIn(glass, [square('key', [-0.8, 3, 1.5])], [0.8, -3, 1.5])).toEqual([]);
  });
});

/** Where a ray from the camera goes after an edge of the glass that is turned by so much: reflected by the law of mirrors. */
function missBy(angle: number, edge: 1 | -1, light: Vector): number {
  const at = [edge * 0.3 * Math.cos(angle), edge * 0.3 * Math.sin(angle)] as const;
  const n = [-Math.sin(angle), Math.cos(angle)] as const;
  const to = (p: Vector) => Math.atan2(p[1] - at[1], p[0] - at[0]);
  const normal = Math.atan2(n[1], n[0]);
  // In and out lie at equal angles about the normal.
  return to(light) + to(camera) - 2 * normal;
}

describe('the least turn that hides', () => {
  test.each<[string, Vector]>([
    ['a light at its middle', [-0.8, 3, 1.5]],
    ['a light near its left edge', [-1.2, 3, 1.5]],
    ['a light near its right edge', [-0.35, 2.5, 1.5]],
  ])('%s: within 0.1° of the turn that lets the light leave over an edge', (_, light) => {
    const found = hidingTurn(glass, [square('key', light)], camera, 'upright')!;
    // By bisection on the law of mirrors, both edges, the smaller of the two.
    const turns = ([1, -1] as const).map((edge) => {
      let best = Infinity;
      for (let k = -30_000; k < 30_000; k++) {
        const [a, b] = [k / 1000, (k + 1) / 1000].map((deg) =>
          missBy((deg * Math.PI) / 180, edge, light),
        );
        if (a! * b! <= 0 && Math.abs(k / 1000) < Math.abs(best)) best = k / 1000;
      }
      return best;
    });
    const least = turns.reduce((a, b) => (Math.abs(a) < Math.abs(b) ? a : b));
    expect(Math.abs(toDegrees(found) - least)).toBeLessThan(0.1);
  });
  test('all at once: turning away from one may bring in another', () => {
    const key = square('key', [-0.8, 3, 1.5]);
    const alone = hidingTurn(glass, [key], camera, 'upright')!;
    const turnedAway = turnedGlass(glass, 'upright', alone);
    const eye = mirrored(camera, turnedAway);
    // A light on the way over the middle of the glass that was turned away.
    const other = square(
      'practical',
      [-eye[0] * 0.8, -eye[1] * 0.8, 1.5].map((x, k) => (k === 2 ? 1.5 : x)) as unknown as Vector,
      0.4,
    );
    const both = hidingTurn(glass, [key, other], camera, 'upright');
    const left =
      both === null ? ['none'] : seenIn(turnedGlass(glass, 'upright', both), [key, other], camera);
    expect(left).toEqual(both === null ? ['none'] : []);
    if (both !== null) expect(Math.abs(both)).toBeGreaterThanOrEqual(Math.abs(alone) - 1e-4);
  });
  test('+ is counterclockwise from above; its lower edge comes out about the upper one', () => {
    const turned = turnedGlass(glass, 'upright', 0.1);
    // The right edge (x > 0) comes forward, y > 0.
    expect(turned.corner[1] + turned.along[1]).toBeCloseTo(0.3 * Math.sin(0.1), 9);
    const tipped = turnedGlass(glass, 'upper edge', 0.05);
    expect(tipped.corner[1]).toBeCloseTo(0.8 * Math.sin(0.05), 9);
    expect(tipped.corner[2] + tipped.across[2]).toBeCloseTo(1.9, 9);
  });
  test('nothing seen needs no turn; a light as wide as the room cannot be hidden', () => {
    expect(hidingTurn(glass, [square('key', [3, 3, 1.5])], camera, 'upright')).toBe(0);
    expect(hidingTurn(glass, [square('sky', [0, 2.9, 1.5], 20)], camera, 'upright')).toBeNull();
  });
});
