/** Where a figure comes from; a metered value wins over a label, a label over a typical one. */
export type Origin = 'metered' | 'label' | 'user' | 'typical' | 'computed';

export interface Sourced<T = number> {
  value: T;
  origin: Origin;
}

export const sourced = <T>(value: T, origin: Origin): Sourced<T> => ({ value, origin });
