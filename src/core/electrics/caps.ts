/** Lamp caps a holder may take. */
export const BASES = ['E27', 'E26', 'E14', 'E12', 'B22', 'GU10', 'GU5.3'] as const;
export type Base = (typeof BASES)[number];

/** Length of the cap that disappears into the holder [typ: IEC 60061 cap drawings; from memory]. */
export const CAP_LENGTH_M: Record<Base, number> = {
  E27: 0.026,
  E26: 0.025,
  E14: 0.024,
  E12: 0.021,
  B22: 0.022,
  GU10: 0.007,
  'GU5.3': 0.007,
};
