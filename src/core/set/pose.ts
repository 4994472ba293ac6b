import { cross, dot, minus, plus, scaled, type Vector } from '../light/vector';

/** Where a light stands and which way it looks. Metres and radians, axes of the set. */
export interface Pose {
  /** middle of the plane that light leaves by */
  at: Vector;
  /** from straight into the room (+y), + is counterclockwise from above */
  pan: number;
  /** + is upwards */
  tilt: number;
  /** about its own axis, + is counterclockwise for who looks along the light */
  roll: number;
}

/** A light's own axes as they lie in the set: x and y across its front, z the way its light goes. */
export interface Axes {
  at: Vector;
  x: Vector;
  y: Vector;
  z: Vector;
}

/** The same direction between −180 and 180°. */
export const turnDeg = (degrees: number): number =>
  degrees > 180 ? degrees - 360 : degrees <= -180 ? degrees + 360 : degrees;

/** @param pose  straight up or down its pan still says which way its upper edge looks */
export function axesOf({ at, pan, tilt, roll }: Pose): Axes {
  const [sp, cp, st, ct] = [Math.sin(pan), Math.cos(pan), Math.sin(tilt), Math.cos(tilt)];
  const z: Vector = [-sp * ct, cp * ct, st];
  const up: Vector = [sp * st, -cp * st, ct];
  const side = cross(up, z);
  const [sr, cr] = [Math.sin(roll), Math.cos(roll)];
  return {
    at,
    z,
    x: plus(scaled(side, cr), scaled(up, sr)),
    y: plus(scaled(up, cr), scaled(side, -sr)),
  };
}

/** A direction of the set in a light's own axes. */
export const turnedInto = ({ x, y, z }: Axes, way: Vector): Vector => [
  dot(way, x),
  dot(way, y),
  dot(way, z),
];

/** A place of the set in a light's own axes. @param frontM  plane it leaves by, along its own z */
export function placeInto(axes: Axes, place: Vector, frontM: number): Vector {
  const [x, y, z] = turnedInto(axes, minus(place, axes.at));
  return [x, y, z + frontM];
}

/** A place of a light's own axes in the set. */
export const placeOutOf = (axes: Axes, [x, y, z]: Vector, frontM: number): Vector =>
  plus(axes.at, plus(plus(scaled(axes.x, x), scaled(axes.y, y)), scaled(axes.z, z - frontM)));
