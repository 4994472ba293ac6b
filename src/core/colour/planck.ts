import { CIE1931, CIE1931_START_NM, CIE1931_STEP_NM } from './cie1931';

/** Second radiation constant, m·K [std: ITS-90 value used by CIE 15]. */
export const C2_M_K = 1.4388e-2;

/** CIE 1960 chromaticity u, v. */
export interface Chromaticity {
  u: number;
  v: number;
}

/** Chromaticity of a black body by summing Planck's law over the CIE 1931 observer [std: CIE 15]. */
export function planckianUv(cctK: number): Chromaticity {
  let x = 0;
  let y = 0;
  let z = 0;
  CIE1931.forEach(([xbar, ybar, zbar], row) => {
    const metres = (CIE1931_START_NM + row * CIE1931_STEP_NM) * 1e-9;
    const scaled = metres * 1e7;
    const fifth = scaled * scaled * scaled * scaled * scaled;
    const power = 1 / (fifth * Math.expm1(C2_M_K / (metres * cctK)));
    x += xbar * power;
    y += ybar * power;
    z += zbar * power;
  });
  const denominator = x + 15 * y + 3 * z;
  return { u: (4 * x) / denominator, v: (6 * y) / denominator };
}

const COOLEST_K = 1000;
const HOTTEST_K = 25_000;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Correlated colour temperature: the black body nearest in CIE 1960 u, v [std: CIE 15], found by
 * golden section on the mired scale, 1000–25 000 K.
 */
export function cctOfUv({ u, v }: Chromaticity): number {
  const away = (shiftMired: number) => {
    const locus = planckianUv(1e6 / shiftMired);
    return (locus.u - u) ** 2 + (locus.v - v) ** 2;
  };
  let low = 1e6 / HOTTEST_K;
  let high = 1e6 / COOLEST_K;
  let [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
  let [atLeft, atRight] = [away(left), away(right)];
  while (high - low > 0.005) {
    // One new place a round: the other inner one is where golden section wants it already.
    if (atLeft < atRight) {
      [high, right, atRight] = [right, left, atLeft];
      left = high - GOLDEN * (high - low);
      atLeft = away(left);
    } else {
      [low, left, atLeft] = [left, right, atRight];
      right = low + GOLDEN * (high - low);
      atRight = away(right);
    }
  }
  return 2e6 / (low + high);
}
