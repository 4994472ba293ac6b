import type { XY } from '../drawing/shapes';
import { areaVector, dot, unit, type Vector } from '../light/vector';
import { inOwnAxes, placed, type Body, type Solid } from './body';

/**
 * Distance of a point from an outline, negative inside, metres; edges and winding
 * [std: signed distance of a simple polygon].
 */
function fromOutline([x, y]: XY, points: readonly XY[], turned = false): number {
  let nearest = Infinity;
  let inside = false;
  for (let k = 0, before = points.length - 1; k < points.length; before = k++) {
    const [ax, ay] = points[before]!;
    const [bx, by] = points[k]!;
    const [ex, ey, px, py] = [bx - ax, by - ay, x - ax, y - ay];
    const long = ex * ex + ey * ey;
    const share = long ? Math.min(1, Math.max(0, (px * ex + py * ey) / long)) : 0;
    // An edge on the axis a shape is turned about is no face of it.
    if (!turned || ax > 0 || bx > 0)
      nearest = Math.min(nearest, (px - ex * share) ** 2 + (py - ey * share) ** 2);
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside ? -Math.sqrt(nearest) : Math.sqrt(nearest);
}

/** Both of two distances at right angles to each other. */
const both = (a: number, b: number): number =>
  Math.min(Math.max(a, b), 0) + Math.hypot(Math.max(a, 0), Math.max(b, 0));

type Measured = (own: Vector) => number;

function circleAround(points: readonly XY[]) {
  const cx = points.reduce((sum, [x]) => sum + x, 0) / points.length;
  const cy = points.reduce((sum, [, y]) => sum + y, 0) / points.length;
  return { cx, cy, r: Math.max(...points.map(([x, y]) => Math.hypot(x - cx, y - cy))) };
}

function plateDistance({ outer, holes, thicknessM }: Solid & { kind: 'plate' }): Measured {
  const bores = holes.map((points) => ({ points, ...circleAround(points) }));
  return ([x, y, z]) => {
    let flat = fromOutline([x, y], outer);
    for (const { points, cx, cy, r } of bores)
      // What lies farther off than its edge can be says nothing here.
      if (r - Math.hypot(x - cx, y - cy) > flat)
        flat = Math.max(flat, -fromOutline([x, y], points));
    return both(flat, Math.abs(z - thicknessM / 2) - thicknessM / 2);
  };
}

/** Beyond the ends of an arc its nearest end face counts. */
function turnedDistance({ profile, arc }: Solid & { kind: 'turned' }): Measured {
  if (!arc) return ([x, y, z]) => fromOutline([Math.hypot(x, y), z], profile, true);
  const middle = arc.fromRad + arc.sweepRad / 2;
  const half = Math.min(Math.PI, Math.abs(arc.sweepRad) / 2);
  return ([x, y, z]) => {
    const r = Math.hypot(x, y);
    const turned = Math.atan2(y, x) - middle;
    const off = Math.abs(Math.atan2(Math.sin(turned), Math.cos(turned))) - half;
    if (off <= 0 && half >= Math.PI) return fromOutline([r, z], profile, true);
    const beyond = Math.min(Math.abs(off), Math.PI / 2);
    const across = r * Math.sin(beyond);
    if (off <= 0) return Math.max(fromOutline([r, z], profile, true), -across);
    // In the plane of the end face: how far along it, and how far from it.
    const inPlane = Math.abs(off) < Math.PI / 2 ? r * Math.cos(off) : 0;
    const flat = Math.max(0, fromOutline([inPlane, z], profile, true));
    return Math.hypot(flat, Math.abs(off) < Math.PI / 2 ? across : r);
  };
}

/** The outmost of its faces' planes: never more than the true distance. */
function blockDistance({ corners, faces }: Solid & { kind: 'block' }): Measured {
  const planes = faces.map((face) => {
    const normal = unit(areaVector(face.map((k) => corners[k]!)));
    return { normal, at: dot(normal, corners[face[0]!]!) };
  });
  return (own) =>
    planes.reduce((most, { normal, at }) => Math.max(most, dot(normal, own) - at), -Infinity);
}

const measuredOf = (solid: Solid): Measured =>
  solid.kind === 'plate'
    ? plateDistance(solid)
    : solid.kind === 'turned'
      ? turnedDistance(solid)
      : blockDistance(solid);

/** Lowest and highest corner. */
export interface Box {
  low: Vector;
  high: Vector;
}

/** Points whose box is the solid's own. */
function ownReach(solid: Solid): Vector[] {
  if (solid.kind === 'block') return [...solid.corners];
  if (solid.kind === 'plate')
    return [0, solid.thicknessM].flatMap((z) => solid.outer.map(([x, y]): Vector => [x, y, z]));
  const { profile, arc } = solid;
  const turns = arc
    ? Array.from({ length: 65 }, (_, k) => arc.fromRad + (arc.sweepRad * k) / 64)
    : Array.from({ length: 32 }, (_, k) => (Math.PI * k) / 16);
  return profile.flatMap(([r, z]) =>
    turns.map((angle): Vector => [r * Math.cos(angle), r * Math.sin(angle), z]),
  );
}

export function boxAround(points: readonly Vector[]): Box {
  const low = [Infinity, Infinity, Infinity] as [number, number, number];
  const high = [-Infinity, -Infinity, -Infinity] as [number, number, number];
  for (const point of points)
    for (let k = 0; k < 3; k++) {
      low[k] = Math.min(low[k]!, point[k]!);
      high[k] = Math.max(high[k]!, point[k]!);
    }
  return { low, high };
}

/** A body that distances are measured from again and again. */
export interface Measure {
  body: Body;
  box: Box;
  /** of a point in the build's axes, negative inside, metres; never more than the true distance */
  distance: (point: Vector) => number;
}

export function measure(body: Body): Measure {
  const own = measuredOf(body.solid);
  return {
    body,
    box: boxAround(ownReach(body.solid).map((point) => placed(body.pose, point))),
    distance: (point) => own(inOwnAxes(body.pose, point)),
  };
}

/** Between a point and a box; 0 inside. */
export const fromBox = ([x, y, z]: Vector, { low, high }: Box): number =>
  Math.hypot(
    Math.max(low[0] - x, 0, x - high[0]),
    Math.max(low[1] - y, 0, y - high[1]),
    Math.max(low[2] - z, 0, z - high[2]),
  );

/** Of all bodies that count for the sizes that are told. */
export const outerBox = (bodies: readonly Body[]): Box => {
  const boxes = bodies.filter(({ outside }) => !outside).map((body) => measure(body).box);
  return boxAround(boxes.flatMap(({ low, high }) => [low, high]));
};
