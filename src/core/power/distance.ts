import type { Place } from '../build/things';
import { areaVector, cross, dot, minus, plus, scaled, type Vector } from '../light/vector';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { hypot, max, min } = Math;

const clamp = (value: number, least: number, most: number) => max(least, min(most, value));

export const between = (a: Vector, b: Vector): number =>
  hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

function onSegment(point: Vector, from: Vector, to: Vector): Vector {
  const way = minus(to, from);
  const long = dot(way, way);
  const t = long === 0 ? 0 : clamp(dot(minus(point, from), way) / long, 0, 1);
  return plus(from, scaled(way, t));
}

/** On a plane convex polygon: below the point where it lies over it, else on an edge. */
function onPolygon(point: Vector, corners: readonly Vector[]): Vector {
  const normal = areaVector(corners);
  const size = dot(normal, normal);
  const inside =
    size > 0 &&
    corners.every((from, k) => {
      const inward = cross(normal, minus(corners[(k + 1) % corners.length]!, from));
      return dot(inward, minus(point, from)) >= 0;
    });
  if (inside) return minus(point, scaled(normal, dot(normal, minus(point, corners[0]!)) / size));
  const edges = corners.map((from, k) =>
    onSegment(point, from, corners[(k + 1) % corners.length]!),
  );
  return edges.reduce((a, b) => (between(b, point) < between(a, point) ? b : a));
}

/** The point of a thing that is nearest to a lamp's glow. */
export function nearestOn(point: Vector, place: Exclude<Place, { kind: 'ahead' }>): Vector {
  const [x, y, z] = point;
  const r = hypot(x, y);
  // Bodies of revolution: everything happens in the half-plane through their axis and the point.
  const out = (radius: number, atZ: number): Vector =>
    r === 0 ? [radius, 0, atZ] : [(x / r) * radius, (y / r) * radius, atZ];
  switch (place.kind) {
    case 'polygon':
      return onPolygon(point, place.points);
    case 'ring':
      return out(clamp(r, place.innerRadiusM, place.outerRadiusM), place.zM);
    case 'cone': {
      const [radius, , atZ] = onSegment(
        [r, 0, z],
        [place.fromRadiusM, 0, place.fromM],
        [place.toRadiusM, 0, place.toM],
      );
      return out(radius, atZ);
    }
  }
}
