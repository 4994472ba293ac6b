import { placed, type Body, type Matter } from './body';
import { spaceM } from './apart';
import { meshOf } from './mesh';

/** Bodies as a graphics card takes them: everything in one list of corners, each with its body's number. */
export interface Model {
  /** of every corner, x y z after one another, metres, build axes */
  positions: Float32Array;
  /** number of the body a corner belongs to */
  body: Float32Array;
  /** way each corner's body goes when it is taken apart, metres at the farthest */
  away: Float32Array;
  /** corners of every triangle, and of every inked edge */
  triangles: Uint32Array;
  edges: Uint32Array;
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

export function modelOf(bodies: readonly Body[], putIn: readonly number[]): Model {
  const [positions, numbers, ways, triangles, edges] = [[], [], [], [], []] as number[][] as [
    number[],
    number[],
    number[],
    number[],
    number[],
  ];
  const space = spaceM(bodies);
  let first = 0;
  bodies.forEach((body, number) => {
    const mesh = meshOf(body.solid);
    for (const point of mesh.points) {
      positions.push(...placed(body.pose, point));
      numbers.push(number);
      ways.push(...body.away.map((way) => way * space));
    }
    for (const corners of mesh.triangles) triangles.push(...corners.map((k) => k + first));
    for (const ends of mesh.edges) edges.push(...ends.map((k) => k + first));
    first += mesh.points.length;
  });
  return {
    positions: Float32Array.from(positions),
    body: Float32Array.from(numbers),
    away: Float32Array.from(ways),
    triangles: Uint32Array.from(triangles),
    edges: Uint32Array.from(edges),
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
