import type { Vector } from '../vector';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, cos, sin, sqrt } = Math;

/** A golden turn: places that far apart spread evenly over a disc. */
export const GOLDEN = 0.618034;

/** A point of a disc about another, across a direction. */
export function onDisc(
  [x, y, z]: Vector,
  [nx, ny, nz]: Vector,
  radiusM: number,
  u: number,
  v: number,
): Vector {
  if (radiusM === 0) return [x, y, z];
  const r = radiusM * sqrt(u);
  const [a, b] = [r * cos(2 * PI * v), r * sin(2 * PI * v)];
  const sign = nz >= 0 ? 1 : -1;
  const c = -1 / (sign + nz);
  const d = nx * ny * c;
  return [
    x + a * (1 + sign * nx * nx * c) + b * d,
    y + a * sign * d + b * (sign + ny * ny * c),
    z - a * sign * nx - b * ny,
  ];
}
