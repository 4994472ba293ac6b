/** Where a figure comes from; a metered value wins over a label, a label over a typical one. */
export const ORIGINS = ['metered', 'label', 'user', 'typical', 'computed'] as const;
export type Origin = (typeof ORIGINS)[number];

export interface Sourced<T = number> {
  value: T;
  origin: Origin;
}

export const sourced = <T>(value: T, origin: Origin): Sourced<T> => ({ value, origin });
