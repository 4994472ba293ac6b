/** What makes the light; decides the shape of its typical spectrum. */
export const EMISSION_NAMES = {
  filament: 'filament lamp',
  'phosphor-led': 'white LED',
  'colour-led': 'mixed from colours',
  fluorescent: 'fluorescent',
  daylight: 'daylight',
} as const;
export type Emission = keyof typeof EMISSION_NAMES;
