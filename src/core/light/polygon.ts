import type { Vector } from './emitter';

/**
 * Illuminance from an even Lambertian polygon of luminance L at a point of given unit normal, exact:
 * E = (L/2)·Σ Θi·(Γi·n), Θi being the angle an edge fills and Γi the unit normal of its plane through
 * the point, the polygon clipped to the receiver's horizon [std: Lambert 1760; Howell's catalogue of
 * configuration factors, polygon].
 * @param corners plane and convex, in either order, metres
 * @returns lux for a luminance in cd/m²; light from the polygon's back counts as from its front
 */
export function polygonIlluminanceLx(
  corners: readonly Vector[],
  luminanceCdM2: number,
  pointM: Vector,
  normal: Vector,
): number {
  return (luminanceCdM2 / 2) * Math.abs(vectorAngle(corners, pointM, normal));
}

/** Configuration factor of a small receiver to the polygon, 0…1: E/(π·L). */
export const polygonFactor = (corners: readonly Vector[], pointM: Vector, normal: Vector): number =>
  polygonIlluminanceLx(corners, 1, pointM, normal) / Math.PI;

const LEAST = 1e-30;

/** Σ Θi·(Γi·n) over the edges above the horizon and, where it cuts the polygon, along it. */
function vectorAngle(corners: readonly Vector[], [px, py, pz]: Vector, normal: Vector): number {
  const [nx, ny, nz] = normal;
  let sum = 0;
  // The clipped polygon's first and latest corner, and whether there is one yet.
  let started = false;
  let fx = 0;
  let fy = 0;
  let fz = 0;
  let lx = 0;
  let ly = 0;
  let lz = 0;
  const count = corners.length;
  const reach = (x: number, y: number, z: number) => {
    if (started) sum += edge(lx, ly, lz, x, y, z, nx, ny, nz);
    else {
      started = true;
      fx = x;
      fy = y;
      fz = z;
    }
    lx = x;
    ly = y;
    lz = z;
  };
  for (let k = 0; k < count; k++) {
    const a = corners[k]!;
    const b = corners[k + 1 === count ? 0 : k + 1]!;
    const ax = a[0] - px;
    const ay = a[1] - py;
    const az = a[2] - pz;
    const bx = b[0] - px;
    const by = b[1] - py;
    const bz = b[2] - pz;
    const above = ax * nx + ay * ny + az * nz;
    const next = bx * nx + by * ny + bz * nz;
    if (above >= 0) reach(ax, ay, az);
    if (above >= 0 !== next >= 0) {
      const t = above / (above - next);
      reach(ax + t * (bx - ax), ay + t * (by - ay), az + t * (bz - az));
    }
  }
  return started ? sum + edge(lx, ly, lz, fx, fy, fz, nx, ny, nz) : 0;
}

/** Θ·(Γ·n) of one edge seen from the origin. */
function edge(
  ax: number,
  ay: number,
  az: number,
  bx: number,
  by: number,
  bz: number,
  nx: number,
  ny: number,
  nz: number,
): number {
  const cx = ay * bz - az * by;
  const cy = az * bx - ax * bz;
  const cz = ax * by - ay * bx;
  const squared = cx * cx + cy * cy + cz * cz;
  if (squared < LEAST) return 0;
  const sine = Math.sqrt(squared);
  const angle = Math.atan2(sine, ax * bx + ay * by + az * bz);
  return (angle / sine) * (cx * nx + cy * ny + cz * nz);
}
