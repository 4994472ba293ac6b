import { placed, type Body, type Matter } from './body';
import { diagonalM, SPACE } from './apart';
import { meshOf } from './mesh';
import { edgesOf } from './neighbours';
import { cornersOf } from './solids';

/** Bodies as a graphics card takes them: everything in one list of corners, each with its body's number. */
export interface Model {
  /** of every corner, x y z after one another, metres, build axes */
  positions: Float32Array;
  /** number of the body a corner belongs to */
  body: Float32Array;
  /** way each corner's body goes when it is taken apart, metres at the farthest */
  away: Float32Array;
  /** corners of every triangle, and of every edge that is inked from wherever it is seen */
  triangles: Uint32Array;
  edges: Uint32Array;
  /** of every other edge two corners and the two triangles that meet there: an outline where only one looks this way */
  bends: Uint32Array;
  bodies: {
    id: string;
    name: string;
    matter: Matter;
    putIn: number;
    piece: string | null;
    /** a thing by itself */
    counts: boolean;
  }[];
}

/** A circle is drawn no finer than so many parts of the whole light's diagonal: less than half a point of a screen. */
const FINEST = 1 / 2400;
const CORNERS = [10, 48] as const;

export function modelOf(bodies: readonly Body[], putIn: readonly number[]): Model {
  const lists = { positions: [], body: [], away: [], triangles: [], edges: [], bends: [] };
  const {
    positions,
    body: numbers,
    away: ways,
    triangles,
    edges,
    bends,
  } = lists as Record<keyof typeof lists, number[]>;
  const diagonal = diagonalM(bodies);
  const corners = (radiusM: number) => cornersOf(radiusM, FINEST * diagonal, CORNERS);
  bodies.forEach((body, number) => {
    const mesh = meshOf(body.solid, corners);
    const [first, firstTriangle] = [numbers.length, triangles.length / 3];
    for (const point of mesh.points) {
      positions.push(...placed(body.pose, point));
      numbers.push(number);
      ways.push(...body.away.map((way) => way * SPACE * diagonal));
    }
    for (const three of mesh.triangles) triangles.push(...three.map((k) => k + first));
    for (const { ends, triangles: meeting, always } of edgesOf(mesh)) {
      const two = ends.map((k) => k + first);
      if (always) edges.push(...two);
      else bends.push(...two, ...meeting.map((k) => k + firstTriangle));
    }
  });
  return {
    positions: Float32Array.from(positions),
    body: Float32Array.from(numbers),
    away: Float32Array.from(ways),
    triangles: Uint32Array.from(triangles),
    edges: Uint32Array.from(edges),
    bends: Uint32Array.from(bends),
    bodies: bodies.map(({ id, name, matter, piece, side }, k) => ({
      id,
      name,
      matter,
      piece,
      counts: !side,
      putIn: putIn[k]!,
    })),
  };
}
