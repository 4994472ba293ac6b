import { cross, dot, minus, scaled, unit, type Vector } from '../light/vector';
import type { Pose } from './body';

/** As it is drawn from the front: its face towards the subject. */
export const facing = (at: Vector): Pose => ({ at, x: [1, 0, 0], y: [0, 1, 0] });

/** Its own z along a direction; its own y as near as can be to the way that is asked. */
export function along(at: Vector, direction: Vector, up: Vector = [0, 1, 0]): Pose {
  const z = unit(direction);
  const near = Math.abs(dot(z, up)) > 0.99 ? ([1, 0, 0] as const) : up;
  const y = unit(minus(near, scaled(z, dot(near, z))));
  return { at, x: cross(y, z), y };
}

/** A flat thing by the ways its own x and y run; they are made right-angled about x. */
export function lying(at: Vector, x: Vector, y: Vector): Pose {
  const own = unit(x);
  return { at, x: own, y: unit(minus(y, scaled(own, dot(y, own)))) };
}
