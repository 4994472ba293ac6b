export const clamp = (value: number, min: number, max: number): number =>
  Math.min(max, Math.max(min, value));

/** Inverse sine that forgives a ratio pushed past ±1 by rounding. */
export const safeAsin = (ratio: number): number => Math.asin(clamp(ratio, -1, 1));
