import type { Vector } from '../light/vector';
import type { Model } from './model';

/** Corners of a model given anew so that every triangle's last one is its own and can tell of the whole face. */
export interface Facets {
  /** which of the model's corners each is */
  from: Uint32Array;
  triangles: Uint32Array;
  /** of each triangle, three after one another */
  normals: Float32Array;
}

export function facetsOf({ positions, triangles }: Model): Facets {
  const normals = normalsOf(positions, triangles);
  const count = positions.length / 3;
  const from = Array.from({ length: count }, (_, k) => k);
  const tells = new Uint8Array(count);
  const turned = new Uint32Array(triangles.length);
  for (let k = 0; k < triangles.length; k += 3) {
    const free = [2, 0, 1].find((corner) => !tells[triangles[k + corner]!]);
    const last = free ?? 2;
    turned[k] = triangles[k + ((last + 1) % 3)]!;
    turned[k + 1] = triangles[k + ((last + 2) % 3)]!;
    const own = triangles[k + last]!;
    if (free === undefined) turned[k + 2] = from.push(own) - 1;
    else {
      tells[own] = 1;
      turned[k + 2] = own;
    }
  }
  return { from: Uint32Array.from(from), triangles: turned, normals };
}

function normalsOf(positions: Float32Array, triangles: Uint32Array): Float32Array {
  const normals = new Float32Array(triangles.length);
  const [u, v] = [new Float64Array(3), new Float64Array(3)];
  for (let k = 0; k < triangles.length; k += 3) {
    for (let axis = 0; axis < 3; axis++) {
      const a = positions[3 * triangles[k]! + axis]!;
      u[axis] = positions[3 * triangles[k + 1]! + axis]! - a;
      v[axis] = positions[3 * triangles[k + 2]! + axis]! - a;
    }
    const normal = [
      u[1]! * v[2]! - u[2]! * v[1]!,
      u[2]! * v[0]! - u[0]! * v[2]!,
      u[0]! * v[1]! - u[1]! * v[0]!,
    ];
    const long = Math.hypot(...normal) || 1;
    for (let axis = 0; axis < 3; axis++) normals[k + axis] = normal[axis]! / long;
  }
  return normals;
}

/**
 * Fills a list with the ends of every bend that is an outline from where it is looked at.
 * @param towards  the way to who looks
 * @returns how many corners were written
 */
export function outlines(
  { bends }: Model,
  { normals }: Facets,
  towards: Vector,
  into: Uint32Array,
): number {
  const looks = new Uint8Array(normals.length / 3);
  for (let k = 0; k < looks.length; k++)
    looks[k] =
      normals[3 * k]! * towards[0] +
        normals[3 * k + 1]! * towards[1] +
        normals[3 * k + 2]! * towards[2] >
      0
        ? 1
        : 0;
  let count = 0;
  for (let k = 0; k < bends.length; k += 4)
    if (looks[bends[k + 2]!] !== looks[bends[k + 3]!]) {
      into[count++] = bends[k]!;
      into[count++] = bends[k + 1]!;
    }
  return count;
}
