import type { Mesh } from './mesh';

/** An edge between two corners of a mesh, and the triangles that meet in it. */
export interface MeshEdge {
  ends: readonly [number, number];
  /** numbers of its triangles: two, as a solid is closed */
  triangles: readonly number[];
  /** inked from wherever it is seen */
  always: boolean;
}

/** Every edge of a mesh once. */
export function edgesOf({ points, triangles, edges }: Mesh): MeshEdge[] {
  const count = points.length;
  const key = (a: number, b: number) => (a < b ? a * count + b : b * count + a);
  const meets = new Map<number, number[]>();
  triangles.forEach((triangle, number) => {
    for (let k = 0; k < 3; k++) {
      const own = key(triangle[k]!, triangle[(k + 1) % 3]!);
      const there = meets.get(own);
      if (there) there.push(number);
      else meets.set(own, [number]);
    }
  });
  const always = new Set(edges.map(([a, b]) => key(a, b)));
  return [...meets].map(([own, numbers]) => ({
    ends: [Math.floor(own / count), own % count],
    triangles: numbers,
    always: always.has(own),
  }));
}
