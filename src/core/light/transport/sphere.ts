const { sqrt } = Math;

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
  const z0 = pz - data[o + 6]!;
  const b = px * dx + py * dy + z0 * dz;
  const c = px * px + py * py + z0 * z0 - data[o + 7]! * data[o + 7]!;
  const inside = b * b - c;
  if (inside < 0) return Infinity;
  const root = sqrt(inside);
  for (let side = -1; side <= 1; side += 2) {
    const t = -b + side * root;
    const z = pz + t * dz;
    if (t > epsilonM && z >= data[o + 8]! - epsilonM && z <= data[o + 9]! + epsilonM) return t;
  }
  return Infinity;
}
