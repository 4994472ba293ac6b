import { areaVector, cross, dot, minus, type Vector } from '../../light/vector';
import { doorLeaf } from './development';

/**
 * The closing check of barn doors: every leaf is swung from where it stands open to shut, in the order they
 * fold, past the leaves that are shut already and those that still stand open.
 */
export interface Leaves {
  leafLengthM: number;
  topFreeM: number;
  cornerM: number;
  sideHingeM: number;
  sideFreeM: number;
  openedRad: number;
  foldFirst: 'sides' | 'top';
}
type Side = 'top' | 'bottom' | 'left' | 'right';
interface Collision {
  moving: Side;
  meets: Side;
  /** from shut */
  atRad: number;
}

const SHUT_RAD = -Math.PI / 2;
const STEP_RAD = Math.PI / 36;
/** Each leaf that is shut lies on the ones before it. */
const LIFT_M = 0.001;
/** Edges that only touch do not collide. */
const TOUCH_M = 2e-4;

const ORDERS: Record<Leaves['foldFirst'], readonly Side[]> = {
  sides: ['left', 'right', 'top', 'bottom'],
  top: ['top', 'bottom', 'left', 'right'],
};

/** First collision on the way to shut; null when all four lie flat. */
export function closingCollision(
  doors: Leaves,
  faceWidthM: number,
  faceHeightM: number,
): Collision | null {
  const order = ORDERS[doors.foldFirst];
  const top = doorLeaf(faceWidthM, doors.topFreeM, doors.leafLengthM, doors.cornerM);
  const side = doorLeaf(doors.sideHingeM, doors.sideFreeM, doors.leafLengthM, 0);
  const place = (which: Side, angleRad: number, liftM: number): Vector[] => {
    const [out, on] = [Math.sin(angleRad), Math.cos(angleRad)];
    const leaf = which === 'top' || which === 'bottom' ? top : side;
    return leaf.map(([along, long]): Vector => {
      const [off, z] = [long * out, liftM + long * on];
      if (which === 'top') return [along, faceHeightM / 2 + off, z];
      if (which === 'bottom') return [along, -faceHeightM / 2 - off, z];
      return which === 'right'
        ? [faceWidthM / 2 + off, along, z]
        : [-faceWidthM / 2 - off, along, z];
    });
  };
  const openRad = Math.max(doors.openedRad, SHUT_RAD);
  for (const [at, moving] of order.entries()) {
    const others = order.flatMap((which, k) =>
      k === at
        ? []
        : [{ which, leaf: place(which, k < at ? SHUT_RAD : openRad, LIFT_M * (k + 1)) }],
    );
    for (let angle = openRad; ; angle = Math.max(SHUT_RAD, angle - STEP_RAD)) {
      const leaf = place(moving, angle, LIFT_M * (at + 1));
      const met = others.find((other) => meet(leaf, other.leaf));
      if (met) return { moving, meets: met.which, atRad: angle - SHUT_RAD };
      if (angle <= SHUT_RAD) break;
    }
  }
  return null;
}

/** Whether two flat convex plates cut through one another. */
function meet(a: readonly Vector[], b: readonly Vector[]): boolean {
  return pierces(a, b) || pierces(b, a);
}

/** An edge of one plate passes through the inside of the other. */
function pierces(edges: readonly Vector[], plate: readonly Vector[]): boolean {
  const normal = areaVector(plate);
  const size = Math.hypot(...normal);
  if (size === 0) return false;
  const over = edges.map((point) => dot(minus(point, plate[0]!), normal) / size);
  return edges.some((from, k) => {
    const next = (k + 1) % edges.length;
    const [d0, d1] = [over[k]!, over[next]!];
    if (Math.min(d0, d1) > -TOUCH_M || Math.max(d0, d1) < TOUCH_M) return false;
    const share = d0 / (d0 - d1);
    const way = minus(edges[next]!, from);
    return inside(
      [from[0] + way[0] * share, from[1] + way[1] * share, from[2] + way[2] * share],
      plate,
      normal,
    );
  });
}

/** Inside every edge by more than a touch. */
function inside(point: Vector, plate: readonly Vector[], normal: Vector): boolean {
  const size = Math.hypot(...normal);
  return plate.every((from, k) => {
    const edge = minus(plate[(k + 1) % plate.length]!, from);
    const inward = dot(cross(edge, minus(point, from)), normal) / size;
    return inward > TOUCH_M * Math.hypot(...edge);
  });
}
