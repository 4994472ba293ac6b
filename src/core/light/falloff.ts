import type { Vector } from './vector';
import type { EmitterField } from './emitter';
import { illuminanceLx } from './illuminance';

export interface FallOffPoint {
  distanceM: number;
  illuminanceLx: number;
  /** what the inverse square would say, anchored at the farthest distance */
  inverseSquareLx: number;
}

const FACING_LIGHT: Vector = [0, 0, -1];

/**
 * Illuminance on the axis at growing distances from the light's front, near field included.
 * @param frontM height of the light's front above its own origin
 * @param fromM, toM  first and last distance, 0 < from < to; spaced evenly in stops of distance
 */
export function fallOffCurve(
  field: EmitterField,
  frontM: number,
  fromM: number,
  toM: number,
  points = 24,
): FallOffPoint[] {
  const at = (distanceM: number) => illuminanceLx(field, [0, 0, frontM + distanceM], FACING_LIGHT);
  const anchor = at(toM) * toM * toM;
  return Array.from({ length: points }, (_, i) => {
    const distanceM = fromM * (toM / fromM) ** (i / (points - 1));
    return {
      distanceM,
      illuminanceLx: at(distanceM),
      inverseSquareLx: anchor / (distanceM * distanceM),
    };
  });
}
