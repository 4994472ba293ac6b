import { placed } from '../assembly/body';
import type { Body } from '../assembly/body';
import { measure, type Measure } from '../assembly/distance';
import { meshOf } from '../assembly/mesh';
import { cornersOf } from '../assembly/solids';
import { minus, plus, scaled, type Vector } from '../light/vector';

/**
 * Where an edge is on the face of another thing the next point lies this near, or it would pass through a cloth; as long
 * as it runs beside that face, ever farther.
 */
const NEAR_M = 0.0005;
const SLIDE_M = 0.02;
const ON_M = 5e-5;

/** A body with every edge of its faces in the build's axes. For tests only. */
export interface Edged extends Measure {
  edges: readonly (readonly [Vector, Vector])[];
}

/** Chords of a hollow side run within what they stand for: here they leave it by a hair. */
const fine = (radiusM: number) => cornersOf(radiusM, 3e-4, [16, 300]);

export function edged(body: Body): Edged {
  const { points, triangles } = meshOf(body.solid, fine);
  const at = points.map((point) => placed(body.pose, point));
  const seen = new Set<string>();
  const edges = triangles.flatMap(([a, b, c]) =>
    (
      [
        [a, b],
        [b, c],
        [c, a],
      ] as const
    ).flatMap(([from, to]) => {
      const key = from < to ? `${from} ${to}` : `${to} ${from}`;
      if (seen.has(key)) return [];
      seen.add(key);
      return [[at[from]!, at[to]!] as const];
    }),
  );
  return { ...measure(body), edges };
}

/** How far apart two boxes lie; below 0 where they overlap. */
export const apart = (a: Measure['box'], b: Measure['box']): number =>
  Math.max(...[0, 1, 2].map((k) => Math.max(a.low[k]! - b.high[k]!, b.low[k]! - a.high[k]!)));

/** The least distance between the edges of one body and another body; below 0 it has gone in by so much. */
function leastAlong(a: Edged, b: Edged, enoughM: number): number {
  let least = Infinity;
  for (const [from, to] of a.edges) {
    const way = minus(to, from);
    const long = Math.hypot(...way);
    if (apart({ low: low(from, to), high: high(from, to) }, b.box) > Math.min(least, enoughM))
      continue;
    let gone = 0;
    let near = NEAR_M;
    let last = Infinity;
    for (;;) {
      const distance = b.distance(plus(from, scaled(way, long ? gone / long : 0)));
      if (!Number.isFinite(distance)) throw new Error(`No distance from ${b.body.id}.`);
      least = Math.min(least, distance);
      if (gone >= long) break;
      near = Math.abs(distance - last) < ON_M ? Math.min(SLIDE_M, 2 * near) : NEAR_M;
      last = distance;
      gone = Math.min(long, gone + Math.max(Math.abs(distance), near));
    }
  }
  return least;
}
const low = (a: Vector, b: Vector) => a.map((v, k) => Math.min(v, b[k]!)) as unknown as Vector;
const high = (a: Vector, b: Vector) => a.map((v, k) => Math.max(v, b[k]!)) as unknown as Vector;

/** Metres between two bodies; below 0 by how far they cut into each other. Beyond `enoughM` it is not looked for. */
export function between(a: Edged, b: Edged, enoughM: number): number {
  const boxes = apart(a.box, b.box);
  if (boxes > enoughM) return boxes;
  return Math.min(leastAlong(a, b, enoughM), leastAlong(b, a, enoughM));
}
