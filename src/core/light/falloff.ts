export interface FallOffPoint {
  distanceM: number;
  illuminanceLx: number;
  /** what the inverse square would say, anchored at the farthest distance */
  inverseSquareLx: number;
}

/**
 * Illuminance on the axis at growing distances from the light's front, near field included.
 * @param axisLx      lux at a distance from the front, m
 * @param fromM, toM  first and last distance, 0 < from < to; spaced evenly in stops of distance
 */
export function fallOffCurve(
  axisLx: (distanceM: number) => number,
  fromM: number,
  toM: number,
  points = 24,
): FallOffPoint[] {
  const anchor = axisLx(toM) * toM * toM;
  return Array.from({ length: points }, (_, i) => {
    const distanceM = fromM * (toM / fromM) ** (i / (points - 1));
    return {
      distanceM,
      illuminanceLx: axisLx(distanceM),
      inverseSquareLx: anchor / (distanceM * distanceM),
    };
  });
}
