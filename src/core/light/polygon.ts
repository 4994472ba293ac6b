import { dot, minus, plus, scaled, type Vector } from './vector';

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
/** Corners no higher than this lie in the receiver's horizon. */
const FLAT_M = 1e-9;

/** Σ Θi·(Γi·n) over the edges; where the receiver's horizon cuts the polygon, over the part above it. */
function vectorAngle(corners: readonly Vector[], pointM: Vector, normal: Vector): number {
  const px = pointM[0];
  const py = pointM[1];
  const pz = pointM[2];
  const nx = normal[0];
  const ny = normal[1];
  const nz = normal[2];
  const count = corners.length;
  let above = 0;
  let highest = 0;
  for (let k = 0; k < count; k++) {
    const corner = corners[k]!;
    const height = (corner[0] - px) * nx + (corner[1] - py) * ny + (corner[2] - pz) * nz;
    if (height >= 0) above++;
    if (height > highest) highest = height;
  }
  // On the polygon's own plane nothing of it stands above the horizon.
  if (highest <= FLAT_M) return 0;
  const seen =
    above === count
      ? corners
      : cutOutline(corners, (corner) => dot(minus(corner, pointM), normal), partWay);
  let sum = 0;
  let from = seen[seen.length - 1]!;
  for (let k = 0; k < seen.length; k++) {
    const to = seen[k]!;
    sum += edge(
      from[0] - px,
      from[1] - py,
      from[2] - pz,
      to[0] - px,
      to[1] - py,
      to[2] - pz,
      nx,
      ny,
      nz,
    );
    from = to;
  }
  return sum;
}

/**
 * What is left of a convex outline where a measure is not negative [Sutherland and Hodgman 1974; from memory].
 * @param between  the place a share of the way from one corner to the next
 */
export const cutOutline = <P>(
  outline: readonly P[],
  height: (place: P) => number,
  between: (from: P, to: P, share: number) => P,
): P[] =>
  outline.flatMap((from, k): P[] => {
    const to = outline[(k + 1) % outline.length]!;
    const [high, next] = [height(from), height(to)];
    const own = high >= 0 ? [from] : [];
    return high >= 0 === next >= 0 ? own : [...own, between(from, to, high / (high - next))];
  });

/** A share of the way from one place to another. */
export const partWay = (from: Vector, to: Vector, share: number): Vector =>
  plus(from, scaled(minus(to, from), share));

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
