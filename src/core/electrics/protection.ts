/** Protection classes of what hangs on the mains [std: IEC 61140; from memory]. */
export const PROTECTION_NAMES = {
  I: 'class I, earthed',
  II: 'class II, double square',
  III: 'class III, low voltage',
  unknown: 'not known',
} as const;
export type Protection = keyof typeof PROTECTION_NAMES;
