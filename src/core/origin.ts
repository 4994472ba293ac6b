/**
 * Where a figure comes from. A metered value wins over a calibrated one (a model fitted to readings), that
 * over a label, a label over what its owner reckons, and all of them over what is typical of the class.
 */
export const FIGURE_ORIGINS = ['metered', 'calibrated', 'label', 'yours', 'typical'] as const;
export type FigureOrigin = (typeof FIGURE_ORIGINS)[number];
/** The same, and what was worked out from such figures. */
export type Origin = FigureOrigin | 'computed';

/** As a mark beside a figure says it. */
export const ORIGIN_WORDS: Record<Origin, string> = {
  metered: 'metered',
  calibrated: 'calibrated',
  label: 'label',
  yours: 'yours',
  typical: 'typical',
  computed: 'worked out',
};

export interface Sourced<T = number> {
  value: T;
  origin: Origin;
}

export const sourced = <T>(value: T, origin: Origin): Sourced<T> => ({ value, origin });
