import { inkedView } from './inked';
import { FROM_THE_RIGHT } from './eye';
import { areaVector, dot, type Vector } from '../light/vector';
import { facetsOf, outlines } from './facets';
import { meshOf, type Mesh } from './mesh';
import { measure, outerBox } from './distance';
import { takenApart } from './apart';
import { modelOf } from './model';
import { along, facing } from './poses';
import {
  between,
  circleOutline,
  globe,
  hoop,
  plate,
  rectangleOutline,
  rod,
  shell,
  slab,
} from './solids';
import type { Body, Solid } from './body';
import { made } from '../forms/kit/bodies';

const body = (solid: Solid, at: readonly [number, number, number] = [0, 0, 0], id = 'a'): Body =>
  made(id, id, 'board', null, solid, facing(at));

/** What it takes up, m³: the divergence theorem over its faces; negative where they look inwards. */
const volumeM3 = ({ points, triangles }: Mesh): number =>
  triangles.reduce((sum, [a, b, c]) => {
    const face = [points[a]!, points[b]!, points[c]!];
    return sum + dot(areaVector(face), face[0]!) / 6;
  }, 0);

describe('volumes against closed forms [std: solid geometry]', () => {
  const finely = (radiusM: number) => Math.ceil(900 * Math.sqrt(radiusM + 1));
  const volume = (solid: Solid) => volumeM3(meshOf(solid, finely));
  test.each([
    ['a slab', slab(0.3, 0.2, 0.01), 0.3 * 0.2 * 0.01],
    ['a rod, π r² h', rod(0.05, 0.4), Math.PI * 0.05 ** 2 * 0.4],
    ['a pipe', rod(0.05, 0.4, 0.04), Math.PI * (0.05 ** 2 - 0.04 ** 2) * 0.4],
    [
      'half a hoop',
      hoop(0.2, 0.3, 0, 0.02, { fromRad: 0.4, sweepRad: Math.PI }),
      (Math.PI / 2) * (0.3 ** 2 - 0.2 ** 2) * 0.02,
    ],
    [
      'a frustum, h/3 · (A + √(AB) + B)',
      between(
        rectangleOutline(0.2, 0.2).map(([x, y]) => [x, y, 0] as const),
        rectangleOutline(0.6, 0.6).map(([x, y]) => [x, y, 0.3] as const),
      ),
      (0.3 / 3) * (0.04 + 0.12 + 0.36),
    ],
    // A cone's shell: the frustum outside less that inside.
    [
      'a shell',
      shell(0.1, 0.2, 0.3, 0.003),
      ((Math.PI * 0.3) / 3) *
        ((r: number) => (0.1 + r) ** 2 + (0.1 + r) * (0.2 + r) + (0.2 + r) ** 2 - 0.07)(
          (0.003 * Math.hypot(0.3, 0.1)) / 0.3,
        ),
    ],
  ])('%s', (_, solid, wanted) => expect(volume(solid) / wanted).toBeCloseTo(1, 3));
  test('a board with a round hole has lost the hole as its corners have it', () => {
    const hole = circleOutline(0.1);
    const lost = (hole.length / 2) * 0.1 ** 2 * Math.sin((2 * Math.PI) / hole.length);
    const board = plate(rectangleOutline(0.5, 0.4), 0.01, [hole]);
    expect(volume(board)).toBeCloseTo((0.2 - lost) * 0.01, 9);
  });
  test('a lamp is its globe above its holder, and its neck', () => {
    // A globe of 60 mm that touches the rim: its neck is within it.
    // Its profile has fourteen chords.
    expect(volume(globe(0.06, 0.06, 0)) / ((4 / 3) * Math.PI * 0.03 ** 3)).toBeCloseTo(0.99, 2);
  });
});

describe('distances', () => {
  const rodAt = measure({ ...body(rod(0.05, 0.4)), pose: along([1, 0, 0], [0, 1, 0]) });
  test.each([
    ['beside it', [1.15, 0.2, 0], 0.1],
    ['past its end', [1, 0.5, 0], 0.1],
    ['past its rim', [1.05 + 0.03, 0.4 + 0.04, 0], 0.05],
    ['within it', [1, 0.2, 0], -0.05],
  ] as const)('%s of a bar', (_, point, wanted) =>
    expect(rodAt.distance(point)).toBeCloseTo(wanted, 9),
  );
  test('in a hole one is as far from the board as from its rim', () => {
    const ring = measure(body(plate(circleOutline(0.3), 0.01, [circleOutline(0.2)])));
    expect(ring.distance([0.15, 0, 0.005])).toBeCloseTo(0.05, 3);
  });
  test('beyond the end of an arc its end face is nearest', () => {
    const quarter = measure(body(hoop(0.2, 0.3, 0, 0.1, { fromRad: 0, sweepRad: Math.PI / 2 })));
    expect(quarter.distance([0.25, -0.04, 0.05])).toBeCloseTo(0.04, 9);
    // Across the middle the nearest place is the inner edge of its far end.
    expect(quarter.distance([-0.25, 0, 0.05])).toBeCloseTo(Math.hypot(0.25, 0.2), 9);
  });
  test('never more than the true distance outside a block', () => {
    const cube = measure(
      body(
        between(
          rectangleOutline(2, 2).map(([x, y]) => [x, y, -1] as const),
          rectangleOutline(2, 2).map(([x, y]) => [x, y, 1] as const),
        ),
      ),
    );
    expect(cube.distance([2, 2, 2])).toBeLessThanOrEqual(Math.sqrt(3));
    expect(cube.distance([0, 0, 3])).toBeCloseTo(2, 9);
  });
});

describe('pictures in ink', () => {
  const front = { turnRad: 0, aboveRad: 0 };
  const told = { id: 'v', title: 'v' };
  const lengthOf = (bodies: readonly Body[], eye = front) =>
    inkedView(bodies, eye, told).shapes.reduce((sum, shape) => {
      if (shape.kind !== 'polyline') return sum;
      return shape.points.slice(1).reduce((all, [x, y], k) => {
        const [px, py] = shape.points[k]!;
        return all + Math.hypot(x - px, y - py);
      }, sum);
    }, 0);
  test('a slab from the front is its outline', () => {
    expect(lengthOf([body(slab(0.4, 0.2, 0.05))])).toBeCloseTo(1.2, 2);
  });
  test('what lies behind is left out, what stands before is not', () => {
    const wall = body(slab(0.4, 0.4, 0.02));
    const small = body(slab(0.1, 0.1, 0.02), [0, 0, -0.2], 'b');
    expect(lengthOf([wall, small])).toBeCloseTo(1.6, 2);
    expect(lengthOf([wall, { ...small, pose: facing([0, 0, 0.2]) }])).toBeCloseTo(2, 2);
  });
  test('a bar from the side is its outline, however many corners it is made of', () => {
    const bar = { ...body(rod(0.02, 0.5)), pose: along([0, 0, 0], [1, 0, 0]) };
    // Its two long edges and its two ends, seen as lines.
    expect(lengthOf([bar])).toBeCloseTo(2 * 0.5 + 2 * 0.04, 2);
  });
  test('what is worked on is in another ink, and what is to come hides nothing', () => {
    const wall = body(slab(0.4, 0.4, 0.02), [0, 0, 0.2], 'later');
    const small = body(slab(0.1, 0.1, 0.02), [0, 0, 0], 'now');
    const { shapes } = inkedView([wall, small], front, told, ({ id }) =>
      id === 'now' ? 'now' : 'to come',
    );
    expect(new Set(shapes.map(({ layer }) => layer))).toEqual(new Set(['cord', 'hidden']));
  });
});

describe('taken apart', () => {
  const bodies = [
    body(slab(0.4, 0.4, 0.02)),
    { ...body(slab(0.2, 0.2, 0.02), [0, 0, 0.02], 'b'), away: [0, 0, 2] as const },
  ];
  test('what goes away goes its own way; what stays stays', () => {
    const [stays, goes] = takenApart(bodies, 1);
    expect(stays!.pose.at).toEqual([0, 0, 0]);
    expect(goes!.pose.at[2]).toBeGreaterThan(0.1);
    expect(takenApart(bodies, 0)).toEqual(bodies);
  });
  test('a graphics card gets the same corners and ways', () => {
    const model = modelOf(bodies, [0, 3]);
    const far = outerBox(takenApart(bodies, 1)).high[2];
    let most = -Infinity;
    for (let at = 2; at < model.positions.length; at += 3)
      most = Math.max(most, model.positions[at]! + model.away[at]!);
    expect(most).toBeCloseTo(far, 5);
    expect(Math.max(...model.triangles)).toBeLessThan(model.positions.length / 3);
    expect(model.bodies.map(({ putIn }) => putIn)).toEqual([0, 3]);
  });
  test('from the corner a face, a side and a top are seen', () => {
    const seen = inkedView([body(slab(0.4, 0.3, 0.2))], FROM_THE_RIGHT, { id: 'v', title: 'v' });
    // Nine edges of a box are seen from outside a corner [std: a convex box].
    const runs = seen.shapes.reduce(
      (sum, shape) => sum + (shape.kind === 'polyline' ? shape.points.length - 1 : 0),
      0,
    );
    expect(runs).toBe(9);
  });
});

describe('what a turned light is drawn by', () => {
  const drawn = modelOf([body(rod(0.05, 0.4))], [0]);
  const facets = facetsOf(drawn);
  const from = (...towards: [number, number, number]) => {
    const into = new Uint32Array(drawn.bends.length / 2);
    const count = outlines(drawn, facets, towards, into);
    const at = (k: number) => [0, 1, 2].map((axis) => drawn.positions[3 * into[k]! + axis]!);
    return Array.from({ length: count / 2 }, (_, k) => {
      const [a, b] = [at(2 * k), at(2 * k + 1)];
      return Math.hypot(...a.map((each, axis) => each - b[axis]!));
    });
  };
  test('a bar has two outlines as long as itself from the side, and none from its end but its rim', () => {
    // A round bar's outline from across its axis is two of its generators [std: geometry].
    expect(from(1, 0.03, 0).map((long) => long.toFixed(4))).toEqual(['0.4000', '0.4000']);
    expect(from(0, 0, 1)).toEqual([]);
  });
  test('every face tells its own normal at a corner no other face tells by', () => {
    const { positions } = drawn;
    const last = [...facets.triangles].filter((_, k) => k % 3 === 2);
    expect(new Set(last).size).toBe(drawn.triangles.length / 3);
    for (let k = 0; k < facets.triangles.length; k += 3) {
      const corners = [0, 1, 2].map((corner): Vector => {
        const of = 3 * facets.from[facets.triangles[k + corner]!]!;
        return [positions[of]!, positions[of + 1]!, positions[of + 2]!];
      });
      const area = areaVector(corners);
      const normal: Vector = [0, 1, 2].map((axis) => facets.normals[k + axis]!) as never;
      expect(dot(area, normal)).toBeCloseTo(Math.hypot(...area), 8);
    }
  });
});
