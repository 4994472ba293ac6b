import fc from 'fast-check';
import type { Vector } from '../light/vector';
import { exchangeOf, type Exchange } from './exchange';
import {
  cardFaces,
  inTheWay,
  patchesOf,
  roomFaces,
  type Bands,
  type Face,
  type Room,
} from './faces';
import { byWayOf } from './gather';
import { settle, type Settled } from './settle';

const all = (rho: number): Bands => [rho, rho, rho];
const boxOf = (
  [widthM, depthM, heightM]: Vector,
  rho: Partial<Record<keyof Room['reflectance'], number>> & { walls: number },
): Room => ({
  widthM,
  depthM,
  heightM,
  reflectance: {
    floor: all(rho.floor ?? rho.walls),
    ceiling: all(rho.ceiling ?? rho.walls),
    front: all(rho.front ?? rho.walls),
    back: all(rho.back ?? rho.walls),
    left: all(rho.left ?? rho.walls),
    right: all(rho.right ?? rho.walls),
  },
});
const roomOf = (room: Room, edgeM: number, more: readonly Face[] = []) => {
  const faces = [...roomFaces(room), ...more];
  const patches = patchesOf(faces, edgeM);
  return { faces, exchange: exchangeOf(patches, inTheWay(more), true) };
};
/** Lux that a bare point of so many candela all round gives each patch, nothing in the way. */
const lampOn = ({ patches }: Exchange, at: Vector, cd: number): Float64Array =>
  Float64Array.from(patches, ({ centre, normal }) => {
    const way = at.map((x, k) => x - centre[k]!) as unknown as Vector;
    const squared = way[0] ** 2 + way[1] ** 2 + way[2] ** 2;
    const facing =
      (way[0] * normal[0] + way[1] * normal[1] + way[2] * normal[2]) / Math.sqrt(squared);
    return facing > 0 ? (cd * facing) / squared : 0;
  });
const rhoOf = ({ patches }: Exchange, faces: readonly Face[]) =>
  Float64Array.from(patches, ({ face }) => faces[face]!.reflectance[0]);
const settled = (exchange: Exchange, direct: Float64Array, faces: readonly Face[]): Settled => {
  const found = settle(exchange, direct, rhoOf(exchange, faces));
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};

describe('what faces see of one another', () => {
  // Howell's catalogue C-11, two equal squares one edge apart, 0.19982; C-14, two squares at a common edge, 0.20004 [from memory].
  const between = (from: string, to: string) => {
    const faces = roomFaces(boxOf([1, 1, 1], { walls: 0.5 }));
    const patches = patchesOf(faces, 0.125);
    const { sharedM2 } = exchangeOf(patches, [], true);
    let sum = 0;
    patches.forEach((a, i) =>
      patches.forEach((b, j) => {
        if (faces[a.face]!.id === from && faces[b.face]!.id === to)
          sum += sharedM2[i * patches.length + j]!;
      }),
    );
    return sum;
  };
  test.each([
    ['floor', 'ceiling', 0.19982],
    ['left', 'right', 0.19982],
    ['floor', 'left', 0.20004],
    ['back', 'ceiling', 0.20004],
  ])('%s and %s of a cube', (from, to, factor) => {
    expect(Math.abs(between(from, to) / factor - 1)).toBeLessThan(0.002);
  });
  test('the same both ways, and in a closed room all of it', () => {
    const { exchange } = roomOf(boxOf([5, 4, 2.6], { walls: 0.7 }), 0.7);
    const { patches, sharedM2 } = exchange;
    patches.forEach(({ areaM2 }, i) => {
      let row = 0;
      patches.forEach((_, j) => {
        row += sharedM2[i * patches.length + j]!;
        expect(sharedM2[i * patches.length + j]).toBeCloseTo(sharedM2[j * patches.length + i]!, 12);
      });
      expect(Math.abs(row / areaM2 - 1)).toBeLessThan(1e-9);
    });
  });
});

describe('light in a room after every bounce', () => {
  test('evenly lit with one reflectance: E = E₀/(1 − ρ) everywhere', () => {
    const { exchange, faces } = roomOf(boxOf([3, 3, 3], { walls: 0.8 }), 0.75);
    const { illuminance, imbalance } = settled(
      exchange,
      new Float64Array(exchange.patches.length).fill(10),
      faces,
    );
    for (const lx of illuminance) expect(lx).toBeCloseTo(50, 6);
    expect(imbalance).toBeLessThan(1e-6);
  });
  test('any box, any lamp, one reflectance: what bounces is Φ·ρ/(A·(1 − ρ)) on the mean [docs/model/set.md]; nothing is lost', () =>
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: 2, max: 8, noNaN: true }),
          fc.double({ min: 2, max: 8, noNaN: true }),
          fc.double({ min: 2, max: 4, noNaN: true }),
        ),
        fc.double({ min: 0.02, max: 0.95, noNaN: true }),
        fc.tuple(
          fc.double({ min: 0.1, max: 0.9, noNaN: true }),
          fc.double({ min: 0.1, max: 0.9, noNaN: true }),
          fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        ),
        (size, rho, at) => {
          const { exchange, faces } = roomOf(boxOf(size, { walls: rho }), 1.2);
          const direct = lampOn(exchange, [at[0] * size[0], at[1] * size[1], at[2] * size[2]], 100);
          const { illuminance, imbalance } = settled(exchange, direct, faces);
          const sum = (lx: Float64Array) =>
            exchange.patches.reduce((all, { areaM2 }, k) => all + areaM2 * lx[k]!, 0);
          const flux = sum(direct);
          expect((sum(illuminance) - flux) / ((flux * rho) / (1 - rho))).toBeCloseTo(1, 6);
          expect(imbalance).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 25 },
    ));
  test('a mirrored lamp gives mirrored numbers', () => {
    const { exchange, faces } = roomOf(boxOf([4, 5, 2.6], { walls: 0.6, floor: 0.2 }), 1);
    const one = settled(exchange, lampOn(exchange, [1, 2, 2], 500), faces);
    const other = settled(exchange, lampOn(exchange, [3, 2, 2], 500), faces);
    exchange.patches.forEach(({ centre: [x, y, z], normal: [nx, ny, nz] }, k) => {
      const twin = exchange.patches.findIndex(
        ({ centre: c, normal: n }) =>
          Math.hypot(c[0] - 4 + x, c[1] - y, c[2] - z) < 1e-9 &&
          Math.hypot(n[0] + nx, n[1] - ny, n[2] - nz) < 1e-9,
      );
      expect(other.illuminance[twin]).toBeCloseTo(one.illuminance[k]!, 9);
    });
  });
  test('black walls send nothing on; a room that swallows nothing is refused', () => {
    const { exchange, faces } = roomOf(boxOf([3, 3, 3], { walls: 0 }), 1);
    const direct = lampOn(exchange, [1, 1, 1], 100);
    expect(settled(exchange, direct, faces).illuminance).toEqual(direct);
    const white = settle(exchange, direct, new Float64Array(exchange.patches.length).fill(1));
    expect(white.ok ? '' : white.problems[0]!.code).toBe('endless');
    const wrong = settle(exchange, direct, new Float64Array(exchange.patches.length).fill(1.2));
    expect(wrong.ok ? '' : wrong.problems[0]!.code).toBe('reflectance');
  });
});

/** A chance of our own that comes out the same each time [Park and Miller 1988]. */
function chance(seed: number) {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

/**
 * Followed back, path by path, by another way than patches: from the place into the half of space before it, by the cosine, and at every
 * wall straight to the lamp; paths go on with the share the wall sends back [std: Kajiya 1986].
 */
function traced(
  room: Room,
  faces: readonly Face[],
  lamp: Vector,
  cd: number,
  at: Vector,
  normal: Vector,
  paths: number,
) {
  const next = chance(7);
  const size: Vector = [room.widthM, room.depthM, room.heightM];
  const walls = [
    ['left', 'right'],
    ['front', 'back'],
    ['floor', 'ceiling'],
  ] as const;
  const rho = (wall: string) => faces.find(({ id }) => id === wall)!.reflectance[0];
  const straight = (point: Vector, n: Vector) => {
    const way = lamp.map((x, k) => x - point[k]!) as unknown as Vector;
    const squared = way[0] ** 2 + way[1] ** 2 + way[2] ** 2;
    const facing = (way[0] * n[0] + way[1] * n[1] + way[2] * n[2]) / Math.sqrt(squared);
    return facing > 0 ? (cd * facing) / squared : 0;
  };
  let sum = 0;
  for (let path = 0; path < paths; path++) {
    let [point, n, weight] = [at, normal, 1];
    for (let bounce = 0; bounce < 60 && weight > 1e-4; bounce++) {
      const [r, phi] = [Math.sqrt(next()), 2 * Math.PI * next()];
      const a: Vector = Math.abs(n[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
      const u = [n[1] * a[2] - n[2] * a[1], n[2] * a[0] - n[0] * a[2], n[0] * a[1] - n[1] * a[0]];
      const length = Math.hypot(...u);
      const e = u.map((x) => x / length);
      const f = [
        n[1] * e[2]! - n[2] * e[1]!,
        n[2] * e[0]! - n[0] * e[2]!,
        n[0] * e[1]! - n[1] * e[0]!,
      ];
      const z = Math.sqrt(1 - r * r);
      const way = [0, 1, 2].map(
        (k) => r * Math.cos(phi) * e[k]! + r * Math.sin(phi) * f[k]! + z * n[k]!,
      );
      let [reach, hit, axis] = [Infinity, 0, 0];
      for (let k = 0; k < 3; k++) {
        const t = ((way[k]! > 0 ? size[k]! : 0) - point[k]!) / way[k]!;
        if (t > 1e-9 && t < reach) [reach, hit, axis] = [t, way[k]! > 0 ? 1 : 0, k];
      }
      point = point.map((x, k) => x + reach * way[k]!) as unknown as Vector;
      n = [0, 1, 2].map((k) => (k === axis ? (hit ? -1 : 1) : 0)) as unknown as Vector;
      weight *= rho(walls[axis]![hit]!);
      sum += weight * straight(point, n);
    }
  }
  return sum / paths;
}

describe('at a face in a room, against paths followed one by one', () => {
  test.each<[string, Room, Vector, Vector, Vector]>([
    [
      'a white room',
      boxOf([5, 4, 2.6], { walls: 0.8, floor: 0.3 }),
      [1, 1, 2.2],
      [3, 2.4, 1.2],
      [0, -1, 0],
    ],
    [
      'a dim one with a bright ceiling',
      boxOf([4, 6, 2.4], { walls: 0.25, ceiling: 0.85 }),
      [2, 1.5, 1.8],
      [2, 4, 1.2],
      [0, 0, 1],
    ],
    [
      'one bright wall',
      boxOf([3, 3, 2.6], { walls: 0.1, left: 0.9 }),
      [1.5, 1.5, 1.5],
      [2, 2, 1],
      [-1, 0, 0],
    ],
  ])('%s: within 2 %% by way of surfaces', (_, room, lamp, at, normal) => {
    const { exchange, faces } = roomOf(room, 0.4);
    const { exitance } = settled(exchange, lampOn(exchange, lamp, 300), faces);
    const ours = byWayOf(exchange.patches, exitance, at, normal);
    const theirs = traced(room, faces, lamp, 300, at, normal, 60_000);
    expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.02);
  });
});

test('a card between throws a shadow on what comes by way of the wall behind it', () => {
  const room = boxOf([4, 4, 3], { walls: 0, left: 0.9 });
  const card = cardFaces(
    'card',
    { corner: [1, 1, 0.5], across: [0, 2, 0], along: [0, 0, 2] },
    all(0),
    all(0),
  );
  const { exchange, faces } = roomOf(room, 0.5, card);
  const direct = Float64Array.from(exchange.patches, ({ face }) =>
    faces[face]!.id === 'left' ? 100 : 0,
  );
  const { exitance, imbalance } = settled(exchange, direct, faces);
  const open = byWayOf(exchange.patches, exitance, [1.6, 2, 1.5], [-1, 0, 0]);
  const shaded = byWayOf(exchange.patches, exitance, [1.6, 2, 1.5], [-1, 0, 0], inTheWay(card));
  expect(shaded).toBeLessThan(0.25 * open);
  expect(imbalance).toBeLessThan(1e-6);
});
