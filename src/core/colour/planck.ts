import { CIE1931, CIE1931_START_NM, CIE1931_STEP_NM } from './cie1931';

/** Second radiation constant, m·K [std: ITS-90 value used by CIE 15]. */
const C2_M_K = 1.4388e-2;

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
    const power = 1 / ((metres * 1e7) ** 5 * Math.expm1(C2_M_K / (metres * cctK)));
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
  while (high - low > 0.005) {
    const left = high - GOLDEN * (high - low);
    const right = low + GOLDEN * (high - low);
    if (away(left) < away(right)) high = right;
    else low = left;
  }
  return 2e6 / (low + high);
}
