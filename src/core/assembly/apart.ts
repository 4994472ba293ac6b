import { minus, plus, scaled, type Vector } from '../light/vector';
import type { Body } from './body';
import { outerBox } from './distance';

/** One space between things that are taken apart, as a share of the light's own diagonal. */
export const SPACE = 0.16;

/** Of the box round all of it, metres. */
export function diagonalM(bodies: readonly Body[]): number {
  if (bodies.length === 0) return 0;
  const { low, high } = outerBox(bodies);
  return Math.hypot(...minus(high, low));
}

/** The same bodies, moved so far apart: 0 as they are mounted, 1 fully. */
export function takenApart(bodies: readonly Body[], share: number): Body[] {
  const space = SPACE * diagonalM(bodies) * share;
  const moved = (pose: Body['pose'], away: Vector) => ({
    ...pose,
    at: plus(pose.at, scaled(away, space)),
  });
  return bodies.map((body) => ({ ...body, pose: moved(body.pose, body.away) }));
}
