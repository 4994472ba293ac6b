import { SURFACE_COLUMNS } from './columns';

const { sqrt } = Math;
const { capZ: CAP_Z, capRadius: CAP_RADIUS, capFrom: CAP_FROM, capTo: CAP_TO } = SURFACE_COLUMNS;

/** Way to a part of a sphere about the z axis, Infinity when missed. */
export function meetsCap(
  data: Float64Array,
  o: number,
  px: number,
  py: number,
  pz: number,
  dx: number,
  dy: number,
  dz: number,
  epsilonM: number,
): number {
  const z0 = pz - data[o + CAP_Z]!;
  const b = px * dx + py * dy + z0 * dz;
  const c = px * px + py * py + z0 * z0 - data[o + CAP_RADIUS]! * data[o + CAP_RADIUS]!;
  const inside = b * b - c;
  if (inside < 0) return Infinity;
  const root = sqrt(inside);
  for (let side = -1; side <= 1; side += 2) {
    const t = -b + side * root;
    const z = pz + t * dz;
    if (t > epsilonM && z >= data[o + CAP_FROM]! - epsilonM && z <= data[o + CAP_TO]! + epsilonM)
      return t;
  }
  return Infinity;
}
