import { frontSize, leavesM } from '../build/front';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { FAR_ANGLES_DEG, FAR_PLANES_DEG, farPlace } from '../light/farField';
import type { Reads } from '../light/field/prepare';
import { sentBackPlaces } from '../light/sentBack';
import type { Vector } from '../light/vector';
import type { Shot } from '../location/shot';

/** Along each side of the coverage; looks lie farther apart. */
const SIDE = 4;
/** On the axis, of the subject's distance. */
const ALONG = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.2, 1.5, 2, 2.5];

/** Places where a build's figures read its light: its coverage, its axis, what sends it back; then far away all round. */
export function readsOf(resolved: ResolvedBuild, shot: Shot): Reads {
  const { distanceM, coverageWidthM, coverageHeightM } = shot;
  const front = leavesM(resolved);
  const { widthM, heightM } = frontSize(resolved);
  const step = (k: number) => k / (SIDE - 1) - 0.5;
  const coverage = Array.from({ length: SIDE * SIDE }, (_, k): Vector => [
    step(k % SIDE) * coverageWidthM,
    step(Math.floor(k / SIDE)) * coverageHeightM,
    front + distanceM,
  ]);
  const axis = ALONG.map((share): Vector => [0, 0, front + share * distanceM]);
  const far = FAR_PLANES_DEG.flatMap((plane) =>
    FAR_ANGLES_DEG.map((angle) => farPlace(plane, angle, [0, 0, front], Math.max(widthM, heightM))),
  );
  const back = sentBackPlaces(resolved.controls);
  return { first: [...coverage, ...axis, ...back], rest: far };
}
