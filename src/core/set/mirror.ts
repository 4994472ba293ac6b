import { cross, dot, minus, plus, scaled, unit, type Vector } from '../light/vector';
import { passes, type Passage } from '../light/controls';
import { cutOutline, partWay } from '../light/polygon';
import { cornersOf, normalOf, type Face } from './faces';

/** Something that must not be found in a glass: the corners of its front, plane and convex. */
export interface Front {
  id: string;
  corners: readonly Vector[];
}

type Glass = Pick<Face, 'corner' | 'across' | 'along'>;
type Flat = readonly [u: number, v: number];

/** A place seen in a mirror stands as far behind it. */
export function mirrored(place: Vector, glass: Glass): Vector {
  const normal = normalOf(glass);
  return minus(place, scaled(normal, 2 * dot(minus(place, glass.corner), normal)));
}

const betweenFlat = ([ax, ay]: Flat, [bx, by]: Flat, t: number): Flat => [
  ax + t * (bx - ax),
  ay + t * (by - ay),
];

/** Part of the glass a front is seen in, in shares of its edges; empty for none. */
function imageOf(front: Front, glass: Glass, cameraM: Vector): Flat[] {
  const normal = normalOf(glass);
  const height = (place: Vector) => dot(minus(place, glass.corner), normal);
  if (height(cameraM) <= 0) return [];
  // What stands behind the glass, or in its plane, is not in it.
  const before = cutOutline(front.corners, (place) => height(place) - LEAST_M, partWay);
  if (before.length < 3) return [];
  const eye = mirrored(cameraM, glass);
  const [uu, vv] = [dot(glass.across, glass.across), dot(glass.along, glass.along)];
  const flat = before.map((place): Flat => {
    const t = height(eye) / (height(eye) - height(place));
    const at = minus(plus(eye, scaled(minus(place, eye), t)), glass.corner);
    return [dot(at, glass.across) / uu, dot(at, glass.along) / vv];
  });
  const sides: ((place: Flat) => number)[] = [
    ([u]) => u,
    ([u]) => 1 - u,
    ([, v]) => v,
    ([, v]) => 1 - v,
  ];
  return sides.reduce<Flat[]>((left, side) => cutOutline(left, side, betweenFlat), flat);
}
const LEAST_M = 1e-6;

const areaOf = (outline: readonly Flat[]): number =>
  Math.abs(
    outline.reduce((sum, [ax, ay], k) => {
      const [bx, by] = outline[(k + 1) % outline.length]!;
      return sum + ax * by - bx * ay;
    }, 0),
  ) / 2;

/** Middle of an outline and how far its corners are from it. */
function roundOf(corners: readonly Vector[]): { middle: Vector; radius: number } {
  let [x, y, z] = [0, 0, 0];
  for (const corner of corners) {
    x += corner[0] / corners.length;
    y += corner[1] / corners.length;
    z += corner[2] / corners.length;
  }
  const middle: Vector = [x, y, z];
  const away = (corner: Vector) => Math.hypot(...minus(corner, middle));
  return { middle, radius: Math.max(...corners.map(away)) };
}

/** Balls round fronts, which stay where they are while a glass is turned. */
const ROUND = new WeakMap<Front, ReturnType<typeof roundOf>>();
function roundFront(front: Front) {
  const known = ROUND.get(front) ?? roundOf(front.corners);
  ROUND.set(front, known);
  return known;
}

/** What is looked through: a glass, a ball round it, and the camera’s eye behind it. */
interface Looked {
  glass: Glass;
  eye: Vector;
  near: ReturnType<typeof roundOf>;
}
const lookedThrough = (glass: Glass, cameraM: Vector): Looked => ({
  glass,
  eye: mirrored(cameraM, glass),
  near: roundOf(cornersOf(glass)),
});

/** Cheaply: whether a ball round the front comes into the cone from the mirrored eye round the glass. */
function mayBeSeen(front: Front, { eye, near }: Looked): boolean {
  const far = roundFront(front);
  const [toGlass, toFront] = [minus(near.middle, eye), minus(far.middle, eye)];
  const [g, f] = [Math.hypot(...toGlass), Math.hypot(...toFront)];
  if (g <= near.radius || f <= far.radius) return true;
  const between = Math.acos(Math.min(1, Math.max(-1, dot(toGlass, toFront) / (g * f))));
  return between <= Math.asin(near.radius / g) + Math.asin(far.radius / f);
}

/** Of a glass: less of it is no light that anybody sees. */
const LEAST_AREA = 1e-7;

/** Whether a camera sees any part of a light's front in a glass: a thing that stands between hides what lies behind its middle. */
function isSeen(
  front: Front,
  looked: Looked,
  cameraM: Vector,
  standing: readonly Passage[],
): boolean {
  if (!mayBeSeen(front, looked)) return false;
  const { glass, eye } = looked;
  const image = imageOf(front, glass, cameraM);
  if (image.length < 3 || areaOf(image) < LEAST_AREA) return false;
  if (standing.length === 0) return true;
  // Any part that is open both ways, looked at by its middle and its corners drawn in a little.
  const middle = image.reduce<Flat>(
    ([u, v], [a, b]) => [u + a / image.length, v + b / image.length],
    [0, 0],
  );
  return [middle, ...image.map((corner) => betweenFlat(corner, middle, 0.1))].some(([u, v]) => {
    const at = plus(glass.corner, plus(scaled(glass.across, u), scaled(glass.along, v)));
    const place = onFront(eye, at, front);
    return passes(standing, cameraM, at) * passes(standing, at, place) > 0;
  });
}

/**
 * Lights that a camera sees in a glass.
 * @param standing  what may stand between camera, glass and light
 */
export const seenIn = (
  glass: Glass,
  fronts: readonly Front[],
  cameraM: Vector,
  standing: readonly Passage[] = [],
): string[] => {
  const looked = lookedThrough(glass, cameraM);
  return fronts.filter((front) => isSeen(front, looked, cameraM, standing)).map(({ id }) => id);
};

/** Where the way from an eye through a place meets the plane of a front. */
function onFront(eye: Vector, through: Vector, { corners }: Front): Vector {
  const normal = unit(cross(minus(corners[1]!, corners[0]!), minus(corners[2]!, corners[0]!)));
  const way = minus(through, eye);
  return plus(eye, scaled(way, dot(minus(corners[0]!, eye), normal) / dot(way, normal)));
}

/** How a glass is turned: about an upright or a level line through its middle, or about its upper edge. */
export type Hinge = 'upright' | 'level' | 'upper edge';

/** A place turned about a line, right-handed. */
function turned(place: Vector, through: Vector, axis: Vector, angle: number): Vector {
  const off = minus(place, through);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return plus(
    through,
    plus(plus(scaled(off, c), scaled(cross(axis, off), s)), scaled(axis, dot(axis, off) * (1 - c))),
  );
}

/** The glass turned by so much, radians: + is counterclockwise from above, or with its lower edge coming out. */
export function turnedGlass<G extends Glass>(glass: G, hinge: Hinge, angle: number): G {
  const corners = cornersOf(glass);
  const middle = scaled(plus(corners[0]!, corners[2]!), 0.5);
  const normal = normalOf(glass);
  const level = unit(cross([0, 0, 1], normal));
  const top = Math.max(...corners.map(([, , z]) => z));
  const uppers = corners.filter(([, , z]) => top - z < 1e-9);
  const upper = scaled(uppers.reduce(plus), 1 / uppers.length);
  const axis: Vector = hinge === 'upright' ? [0, 0, 1] : scaled(level, -1);
  const through = hinge === 'upper edge' ? upper : middle;
  const corner = turned(glass.corner, through, axis, angle);
  return {
    ...glass,
    corner,
    across: minus(turned(corners[1]!, through, axis, angle), corner),
    along: minus(turned(corners[3]!, through, axis, angle), corner),
  };
}

const STEP = (0.2 * Math.PI) / 180;
const MOST = (30 * Math.PI) / 180;
const FINE = (0.002 * Math.PI) / 180;

/**
 * The least turn that hides all lights at once, radians, signed: turning away from one can bring in another. 0 where none is seen;
 * null where no turn up to 30° does.
 */
export function hidingTurn(
  glass: Glass,
  fronts: readonly Front[],
  cameraM: Vector,
  hinge: Hinge,
  standing: readonly Passage[] = [],
): number | null {
  // Whoever was seen last is seen next, most often: it is asked first.
  let last = fronts[0];
  const hides = (angle: number) => {
    const looked = lookedThrough(turnedGlass(glass, hinge, angle), cameraM);
    const sees = (front: Front) => isSeen(front, looked, cameraM, standing);
    if (last && sees(last)) return false;
    const found = fronts.find(sees);
    last = found ?? last;
    return !found;
  };
  if (hides(0)) return 0;
  for (let angle = STEP; angle <= MOST; angle += STEP)
    for (const sign of [1, -1]) {
      if (!hides(sign * angle)) continue;
      let [seen, hidden] = [angle - STEP, angle];
      while (hidden - seen > FINE) {
        const middle = (seen + hidden) / 2;
        if (hides(sign * middle)) hidden = middle;
        else seen = middle;
      }
      return sign * hidden;
    }
  return null;
}
