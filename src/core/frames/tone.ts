/** sRGB → linear, 0…1 [std: IEC 61966-2-1]. */
export const decoded = (encoded: number): number =>
  encoded <= 0.04045 ? encoded / 12.92 : ((encoded + 0.055) / 1.055) ** 2.4;

/** The value a grey card of 18 % has in sRGB; a camera's curve is laid so that it gives the same light there. */
export const MID_VALUE = 118;
/** Linear light of what is exposed as a meter wants it [common practice: an 18 % card in the middle of the scale]. */
export const MID_LINEAR = decoded(MID_VALUE / 255);

const SRGB_TABLE = Float32Array.from({ length: 256 }, (_, value) => decoded(value / 255));

/**
 * Linear light by value of a channel.
 * @param curve  ln of the exposure that gives each value, where the camera's own is known; null for sRGB
 */
export function linearTable(curve: readonly number[] | null): Float32Array {
  if (!curve) return SRGB_TABLE;
  const mid = curve[MID_VALUE]!;
  return Float32Array.from(curve, (ln) => MID_LINEAR * Math.exp(ln - mid));
}

/** What red, green and blue count for luminance [std: IEC 61966-2-1]. */
export const LUMA = [0.2126, 0.7152, 0.0722] as const;

/** Luminance of linear sRGB. */
export const luminanceOf = (r: number, g: number, b: number): number =>
  LUMA[0] * r + LUMA[1] * g + LUMA[2] * b;
