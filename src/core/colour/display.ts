import { xyzOfUv } from './chromaticity';
import { planckianUv } from './planck';

/** XYZ → linear sRGB [std: IEC 61966-2-1]. */
const SRGB = [
  [3.2406, -1.5372, -0.4986],
  [-0.9689, 1.8758, 0.0415],
  [0.0557, -0.204, 1.057],
] as const;

/** Linear → sRGB, 0…1 [std: IEC 61966-2-1]. */
export const encode = (linear: number) =>
  linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;

/** Linear sRGB of black-body light of luminance 1; channels may lie outside 0…1. 1000–25 000 K. */
function cctLinear(cctK: number): readonly [number, number, number] {
  const xyz = xyzOfUv(planckianUv(cctK));
  const [r, g, b] = SRGB.map((row) => row.reduce((sum, weight, i) => sum + weight * xyz[i]!, 0));
  return [r!, g!, b!];
}

/**
 * Light of one colour temperature as a camera balanced for another records it, per channel; luminance
 * is kept [von Kries in linear sRGB: an approximation].
 */
export function balanced(cctK: number, balanceK: number): readonly [number, number, number] {
  const light = cctLinear(cctK);
  const white = cctLinear(balanceK);
  const [r, g, b] = light.map((value, i) => Math.max(0, value) / Math.max(0.02, white[i]!));
  const luminance = 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  return [r! / luminance, g! / luminance, b! / luminance];
}

/**
 * A screen colour for a colour temperature, its brightest channel at full: for ornaments that hint
 * at warm or cool, not for judging colour. 1000–25 000 K.
 */
export function cctCss(cctK: number): string {
  const linear = cctLinear(cctK).map((value) => Math.max(0, value));
  const peak = Math.max(...linear);
  const [r, g, b] = linear.map((value) => Math.round(255 * encode(value / peak)));
  return `rgb(${r} ${g} ${b})`;
}
