import { xyzOfUv } from './chromaticity';
import { planckianUv, type Chromaticity } from './planck';

/** XYZ → linear sRGB [std: IEC 61966-2-1]. */
const SRGB = [
  [3.2406, -1.5372, -0.4986],
  [-0.9689, 1.8758, 0.0415],
  [0.0557, -0.204, 1.057],
] as const;

/** Linear → sRGB, 0…1 [std: IEC 61966-2-1]. */
export const encode = (linear: number) =>
  linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;

/** Linear sRGB of light of luminance 1 from CIE 1960 u, v; channels may lie outside 0…1. */
function uvLinear(uv: Chromaticity): readonly [number, number, number] {
  const xyz = xyzOfUv(uv);
  const [r, g, b] = SRGB.map((row) => row.reduce((sum, weight, i) => sum + weight * xyz[i]!, 0));
  return [r!, g!, b!];
}
/** The same of black-body light, 1000–25 000 K. */
const cctLinear = (cctK: number) => uvLinear(planckianUv(cctK));

/**
 * Light of one colour as a camera balanced for another records it, per channel; luminance
 * is kept [von Kries in linear sRGB: an approximation].
 */
export function balancedUv(uv: Chromaticity, balanceK: number): readonly [number, number, number] {
  const light = uvLinear(uv);
  const white = cctLinear(balanceK);
  const [r, g, b] = light.map((value, i) => Math.max(0, value) / Math.max(0.02, white[i]!));
  const luminance = 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  return [r! / luminance, g! / luminance, b! / luminance];
}
/** The same of light of one colour temperature. */
export const balanced = (cctK: number, balanceK: number) => balancedUv(planckianUv(cctK), balanceK);

/**
 * A screen colour for a colour temperature, its brightest channel at full: for ornaments that hint
 * at warm or cool, not for judging colour. 1000–25 000 K.
 */
export const cctCss = (cctK: number): string => uvCss(planckianUv(cctK));
/** The same for any colour. */
export function uvCss(uv: Chromaticity): string {
  const linear = uvLinear(uv).map((value) => Math.max(0, value));
  const peak = Math.max(...linear);
  const [r, g, b] = linear.map((value) => Math.round(255 * encode(value / peak)));
  return `rgb(${r} ${g} ${b})`;
}
