import earcut from 'earcut';
import type { XY } from '../drawing/shapes';
import type { Vector } from '../light/vector';
import type { Solid } from './body';
import { cornersOf } from './solids';

/** Faces and inked edges of a solid, in its own axes. Edges and triangles name their points. */
export interface Mesh {
  points: Vector[];
  /** anticlockwise seen from outside */
  triangles: (readonly [number, number, number])[];
  /** edges that are always inked */
  edges: (readonly [number, number])[];
}

/** A corner of an outline is inked along the wall where it turns by more than this; smoother ones are round. */
const TURNS = Math.cos((25 * Math.PI) / 180);

const turnsSharply = (points: readonly XY[], k: number): boolean => {
  const [a, b, c] = [
    points[(k + points.length - 1) % points.length]!,
    points[k]!,
    points[(k + 1) % points.length]!,
  ];
  const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
  const long = Math.hypot(ux, uy) * Math.hypot(vx, vy);
  return long > 0 && (ux * vx + uy * vy) / long < TURNS;
};

function plateMesh({ outer, holes, thicknessM }: Solid & { kind: 'plate' }): Mesh {
  const loops = [outer, ...holes];
  const flat = loops.flat();
  const starts = holes.map((_, k) =>
    loops.slice(0, k + 1).reduce((sum, { length }) => sum + length, 0),
  );
  const cut = earcut(
    flat.flatMap(([x, y]) => [x, y]),
    starts,
  );
  const count = flat.length;
  const points = [0, thicknessM].flatMap((z) => flat.map(([x, y]): Vector => [x, y, z]));
  const triangles: Mesh['triangles'] = [];
  for (let k = 0; k < cut.length; k += 3) {
    const [a, b, c] = anticlockwise(flat, [cut[k]!, cut[k + 1]!, cut[k + 2]!]);
    triangles.push([a, c, b], [a + count, b + count, c + count]);
  }
  const edges: Mesh['edges'] = [];
  let at = 0;
  loops.forEach((loop, which) => {
    for (let k = 0; k < loop.length; k++) {
      const [a, b] = [at + k, at + ((k + 1) % loop.length)];
      const [from, to] = which === 0 ? [a, b] : [b, a];
      triangles.push([from, to, to + count], [from, to + count, from + count]);
      edges.push([a, b], [a + count, b + count]);
      if (turnsSharply(loop, k)) edges.push([a, a + count]);
    }
    at += loop.length;
  });
  return { points, triangles, edges };
}

function anticlockwise(points: readonly XY[], [a, b, c]: [number, number, number]) {
  const [[ax, ay], [bx, by], [cx, cy]] = [points[a]!, points[b]!, points[c]!];
  return (bx - ax) * (cy - ay) - (by - ay) * (cx - ax) < 0
    ? ([a, c, b] as const)
    : ([a, b, c] as const);
}

function turnedMesh(
  { profile, arc }: Solid & { kind: 'turned' },
  corners: (radiusM: number) => number,
): Mesh {
  const most = Math.max(...profile.map(([r]) => r));
  const whole = !arc;
  const sweep = arc?.sweepRad ?? 2 * Math.PI;
  const steps = Math.max(2, Math.ceil((corners(most) * Math.abs(sweep)) / (2 * Math.PI)));
  const rows = whole ? steps : steps + 1;
  const count = profile.length;
  const points = Array.from({ length: rows }, (_, row) => {
    const angle = (arc?.fromRad ?? 0) + (sweep * row) / steps;
    return profile.map(([r, z]): Vector => [r * Math.cos(angle), r * Math.sin(angle), z]);
  }).flat();
  // On the axis of a whole turn all rows meet in one corner.
  const at = (row: number, k: number) =>
    (whole && profile[k % count]![0] <= 0 ? 0 : row % rows) * count + (k % count);
  // A way round that is told clockwise turns its faces inside out.
  const flipped = sweep < 0;
  const triangles: Mesh['triangles'] = [];
  const push = (a: number, b: number, c: number) => triangles.push(flipped ? [a, c, b] : [a, b, c]);
  const edges: Mesh['edges'] = [];
  for (let row = 0; row < steps; row++)
    for (let k = 0; k < count; k++) {
      const [from, to] = [profile[k]!, profile[(k + 1) % count]!];
      // On the axis two corners are one: there is no face between them.
      if (from[0] > 0) push(at(row, k), at(row + 1, k), at(row + 1, k + 1));
      if (to[0] > 0) push(at(row, k), at(row + 1, k + 1), at(row, k + 1));
      if (from[0] > 0 && turnsSharply(profile, k)) edges.push([at(row, k), at(row + 1, k)]);
    }
  if (!whole) closeEnds(profile, steps, count, push, edges);
  return { points, triangles, edges };
}

/** An arc has a face at either end. */
function closeEnds(
  profile: readonly XY[],
  steps: number,
  count: number,
  push: (a: number, b: number, c: number) => void,
  edges: Mesh['edges'],
) {
  const cut = earcut(profile.flatMap(([r, z]) => [r, z]));
  for (let k = 0; k < cut.length; k += 3) {
    const [a, b, c] = anticlockwise(profile, [cut[k]!, cut[k + 1]!, cut[k + 2]!]);
    push(a, b, c);
    push(steps * count + a, steps * count + c, steps * count + b);
  }
  for (const row of [0, steps])
    for (let k = 0; k < count; k++) edges.push([row * count + k, row * count + ((k + 1) % count)]);
}

function blockMesh({ corners, faces }: Solid & { kind: 'block' }): Mesh {
  const seen = new Set<string>();
  const edges: Mesh['edges'] = [];
  for (const face of faces)
    face.forEach((from, k) => {
      const to = face[(k + 1) % face.length]!;
      const key = from < to ? `${from} ${to}` : `${to} ${from}`;
      if (!seen.has(key)) edges.push([from, to]);
      seen.add(key);
    });
  return {
    points: [...corners],
    triangles: faces.flatMap((face) =>
      face.slice(2).map((_, k) => [face[0]!, face[k + 1]!, face[k + 2]!] as const),
    ),
    edges,
  };
}

/** @param corners  how many a circle of a radius is drawn with */
export const meshOf = (solid: Solid, corners: (radiusM: number) => number = cornersOf): Mesh =>
  solid.kind === 'plate'
    ? plateMesh(solid)
    : solid.kind === 'turned'
      ? turnedMesh(solid, corners)
      : blockMesh(solid);
