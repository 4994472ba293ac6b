/**
 * How a metre of tape takes its current as its voltage falls.
 * string: diodes in series with a resistor, the common tape; current: a regulator in every section;
 * resistance and power: the two ends between which everything else lies.
 */
export const TAPE_LOADS = ['string', 'current', 'resistance', 'power'] as const;
export type TapeLoad = (typeof TAPE_LOADS)[number];

/** What each kind of tape section is called. */
export const TAPE_LOAD_NAMES: Record<TapeLoad, string> = {
  string: 'diodes with a resistor (common tape)',
  current: 'a regulator in every section',
  resistance: 'like a resistor',
  power: 'constant power',
};
