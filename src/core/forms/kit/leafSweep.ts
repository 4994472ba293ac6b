import { areaVector, cross, dot, minus, plus, scaled, unit, type Vector } from '../../light/vector';
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
        : [
            {
              which,
              leaf: k < at ? place(which, SHUT_RAD, LIFT_M * (k + 1)) : place(which, openRad, 0),
            },
          ],
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

/** Whether two flat convex plates cut through one another: their common line runs through the inside of both. */
function meet(a: readonly Vector[], b: readonly Vector[]): boolean {
  const line = across(a, b);
  if (!line) return false;
  const [from, to] = line;
  const way = minus(to, from);
  const sides = sidesOf(b);
  // Of the line that a cuts out of b's plane, what lies within b's edges.
  let [start, end] = [0, 1];
  for (const { inward, offset } of sides) {
    const [d0, d1] = [dot(inward, from) - offset, dot(inward, to) - offset];
    if (d0 < 0 && d1 < 0) return false;
    if (d0 < 0) start = Math.max(start, d0 / (d0 - d1));
    if (d1 < 0) end = Math.min(end, d0 / (d0 - d1));
  }
  if ((end - start) * Math.hypot(...way) < 2 * TOUCH_M) return false;
  const middle = plus(from, scaled(way, (start + end) / 2));
  return [sides, sidesOf(a)].every((own) =>
    own.every(({ inward, offset }) => dot(inward, middle) - offset > TOUCH_M),
  );
}

/** Where one plate crosses the plane of another, from edge to edge; null where it stays on one side. */
function across(edges: readonly Vector[], plate: readonly Vector[]): [Vector, Vector] | null {
  const normal = unit(areaVector(plate));
  const over = edges.map((point) => dot(minus(point, plate[0]!), normal));
  if (Math.min(...over) > -TOUCH_M || Math.max(...over) < TOUCH_M) return null;
  const points = edges.flatMap((from, k) => {
    const next = (k + 1) % edges.length;
    const [d0, d1] = [over[k]!, over[next]!];
    if (d0 >= 0 === d1 >= 0) return [];
    return [plus(from, scaled(minus(edges[next]!, from), d0 / (d0 - d1)))];
  });
  return points.length === 2 ? [points[0]!, points[1]!] : null;
}

/** Each edge of a plate as the half of its plane that is inside; unit vectors, so that distances are metres. */
function sidesOf(plate: readonly Vector[]): { inward: Vector; offset: number }[] {
  const normal = areaVector(plate);
  return plate.map((from, k) => {
    const inward = unit(cross(normal, minus(plate[(k + 1) % plate.length]!, from)));
    return { inward, offset: dot(inward, from) };
  });
}
