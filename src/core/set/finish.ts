import type { Bands } from './faces';

/** Colours of paint and cloth, red : green : blue of what they send back [typ]. */
export const TINTS = {
  none: { name: 'no colour', bands: [1, 1, 1] },
  cream: { name: 'cream', bands: [1.06, 1, 0.82] },
  wood: { name: 'wood', bands: [1.35, 0.95, 0.6] },
  brick: { name: 'brick', bands: [1.9, 0.78, 0.6] },
  blue: { name: 'blue', bands: [0.55, 0.95, 2.1] },
  sea: { name: 'sea green', bands: [0.6, 1.15, 1.0] },
  green: { name: 'screen green', bands: [0.16, 1.37, 0.26] },
} as const satisfies Record<string, { name: string; bands: Bands }>;
type TintId = keyof typeof TINTS;
export const TINT_NAMES = Object.fromEntries(
  Object.entries(TINTS).map(([id, { name }]) => [id, name]),
) as Record<TintId, string>;

/** Share of luminance of each band [std: IEC 61966-2-1, Y of linear red, green and blue]. */
export const LUMINANCE: Bands = [0.2126, 0.7152, 0.0722];

export const luminanceOf = ([r, g, b]: Bands): number =>
  LUMINANCE[0] * r + LUMINANCE[1] * g + LUMINANCE[2] * b;

/** What a painted face sends back in each band; none more than all of its light. @param reflectance  0…1, of white light */
export function finishBands(reflectance: number, tint: TintId): Bands {
  const { bands } = TINTS[tint];
  const by = reflectance / luminanceOf(bands);
  return [Math.min(1, bands[0] * by), Math.min(1, bands[1] * by), Math.min(1, bands[2] * by)];
}
