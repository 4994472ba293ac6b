import { polygonFactor } from '../light/polygon';
import type { Vector } from '../light/vector';
import { passes, type Passage } from '../light/controls';
import type { Patch } from './faces';

/**
 * Lux on a small surface by way of everything that sends light on: exactly, patch by patch, each as far as its middle is seen.
 * @param exitance  lm/m² of each patch
 * @param standing  what may stand between
 */
export function byWayOf(
  patches: readonly Patch[],
  exitance: Float64Array,
  pointM: Vector,
  normal: Vector,
  standing: readonly Passage[] = [],
): number {
  let lux = 0;
  patches.forEach(({ corners, centre, normal: out }, k) => {
    if (!(exitance[k]! > 0)) return;
    // Its back is another face's front.
    const front =
      (pointM[0] - centre[0]) * out[0] +
      (pointM[1] - centre[1]) * out[1] +
      (pointM[2] - centre[2]) * out[2];
    if (front <= 0) return;
    const open = passes(standing, pointM, centre);
    if (open > 0) lux += open * exitance[k]! * polygonFactor(corners, pointM, normal);
  });
  return lux;
}
