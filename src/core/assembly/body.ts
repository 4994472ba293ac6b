import type { XY } from '../drawing/shapes';
import { cross, plus, scaled, type Vector } from '../light/vector';

/**
 * A thing's own shape, metres, in its own axes.
 * - `plate`: an outline with what is cut out of it, from z = 0 up to its thickness.
 * - `turned`: a closed outline of radius and height turned about z; all round, or through an angle from a start.
 * - `block`: convex, by its corners and faces; the corners of a face run anticlockwise seen from outside.
 */
export type Solid =
  | {
      kind: 'plate';
      outer: readonly XY[];
      holes: readonly (readonly XY[])[];
      thicknessM: number;
    }
  | { kind: 'turned'; profile: readonly XY[]; arc?: { fromRad: number; sweepRad: number } }
  | { kind: 'block'; corners: readonly Vector[]; faces: readonly (readonly number[])[] };

/** Where a thing sits: its own origin and the ways its own x and y run, at right angles and of length 1. */
export interface Pose {
  at: Vector;
  x: Vector;
  y: Vector;
}

/** What a thing is made of, as far as its ink tells. */
export type Matter = 'board' | 'metal' | 'cloth' | 'lamp' | 'tape' | 'pipe' | 'part';

/** One thing in the assembled light, in the build's axes. */
export interface Body {
  /** stable: a changed number never changes it */
  id: string;
  name: string;
  /** the cut piece it is; null for what is bought */
  piece: string | null;
  matter: Matter;
  /** the step that puts it in; null where it lies there from the first step that works on its piece */
  step: string | null;
  solid: Solid;
  pose: Pose;
  /** where it goes when the light is taken apart, in spaces */
  away: Vector;
  /** hangs beside the sizes that are told for the light: flags, ropes, stands */
  outside?: true;
  /** no thing by itself: the side of a drape, the arm of a fitting */
  side?: true;
  /** goes through or round what it holds: bolts, fittings, clips, ropes */
  fastens?: true;
}

/** Its own z. */
export const axisOf = ({ x, y }: Pose): Vector => cross(x, y);

/** From a thing's own axes into the build's. */
export function placed(pose: Pose, [px, py, pz]: Vector): Vector {
  const z = axisOf(pose);
  return plus(plus(pose.at, plus(scaled(pose.x, px), scaled(pose.y, py))), scaled(z, pz));
}

/** From the build's axes into a thing's own. */
export function inOwnAxes(pose: Pose, point: Vector): Vector {
  const [dx, dy, dz] = [point[0] - pose.at[0], point[1] - pose.at[1], point[2] - pose.at[2]];
  const along = ([ax, ay, az]: Vector) => ax * dx + ay * dy + az * dz;
  return [along(pose.x), along(pose.y), along(axisOf(pose))];
}
