/** What several readings of one thing say. */
export interface Repeats {
  count: number;
  mean: number;
  /** experimental standard deviation; null of fewer than two */
  deviation: number | null;
  /** standard deviation of the mean, s/√n [std: JCGM 100, 4.2.3]; null of fewer than two */
  meanDeviation: number | null;
  /** indices of those that lie where no spread of the others puts them */
  outliers: number[];
}

/** Median, or NaN of nothing. */
export function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/** A normal spread's deviation is so many times its median absolute one. */
const MAD_SCALE = 1.4826;
/** So many deviations from the median is no chance [common practice: Iglewicz and Hoaglin 1993, from memory]. */
const FAR = 3.5;
/** Of fewer nobody can say which is the odd one. */
const LEAST_FOR_OUTLIERS = 4;

/** Indices of values that stand apart from the others; a grain under which differences are rounding. */
export function outliersOf(values: readonly number[], grain = 0): number[] {
  if (values.length < LEAST_FOR_OUTLIERS) return [];
  const middle = median(values);
  const away = values.map((value) => Math.abs(value - middle));
  const spread = Math.max(MAD_SCALE * median(away), grain, Math.abs(middle) * 1e-9);
  return away.flatMap((each, k) => (each > FAR * spread ? [k] : []));
}

/** @param values  at least one */
export function repeatsOf(values: readonly number[], grain = 0): Repeats {
  const count = values.length;
  const mean = values.reduce((sum, value) => sum + value, 0) / count;
  const deviation =
    count > 1
      ? Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (count - 1))
      : null;
  return {
    count,
    mean,
    deviation,
    meanDeviation: deviation === null ? null : deviation / Math.sqrt(count),
    outliers: outliersOf(values, grain),
  };
}
