/** What makes the light; decides the shape of its typical spectrum. */
export const EMISSIONS = [
  'filament',
  'phosphor-led',
  'colour-led',
  'fluorescent',
  'daylight',
] as const;
export type Emission = (typeof EMISSIONS)[number];
