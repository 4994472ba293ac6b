/** Relative tolerance for comparing lengths that went through trigonometry. */
export const RELATIVE_TOLERANCE = 1e-9;

export const clamp = (value: number, min: number, max: number): number =>
  Math.min(max, Math.max(min, value));

/** Inverse sine that forgives a ratio pushed past ±1 by rounding. */
export const safeAsin = (ratio: number): number => Math.asin(clamp(ratio, -1, 1));
export const safeAcos = (ratio: number): number => Math.acos(clamp(ratio, -1, 1));

export const DEGREES_PER_RADIAN = 180 / Math.PI;
