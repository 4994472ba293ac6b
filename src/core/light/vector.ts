export type Vector = readonly [x: number, y: number, z: number];

export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scaled = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by];
export const unit = (a: Vector): Vector => scaled(a, 1 / Math.hypot(...a));
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** Twice a plane polygon's area along its normal, whatever its corners [Newell; from memory]. */
export const areaVector = (corners: readonly Vector[]): Vector =>
  corners.reduce<Vector>(
    (sum, from, k) => plus(sum, cross(from, corners[(k + 1) % corners.length]!)),
    [0, 0, 0],
  );
