import { CIE1931, CIE1931_START_NM, CIE1931_STEP_NM } from './cie1931';

/** Second radiation constant, m·K [std: ITS-90 value used by CIE 15]. */
export const C2_M_K = 1.4388e-2;

/** CIE 1960 chromaticity u, v. */
export interface Chromaticity {
  u: number;
  v: number;
}

/** The observer laid out for the sum: wavelength in metres, and x̄, ȳ, z̄ over its fifth power. */
const ROWS = CIE1931.map(([xbar, ybar, zbar], row) => {
  const metres = (CIE1931_START_NM + row * CIE1931_STEP_NM) * 1e-9;
  const fifth = (metres * 1e7) ** 5;
  return [metres, xbar / fifth, ybar / fifth, zbar / fifth] as const;
});
const STRIDE = 4;
const LAID = Float64Array.from(ROWS.flat());

/** Chromaticity of a black body by summing Planck's law over the CIE 1931 observer [std: CIE 15]. */
export function planckianUv(cctK: number): Chromaticity {
  let x = 0;
  let y = 0;
  let z = 0;
  for (let o = 0; o < LAID.length; o += STRIDE) {
    const power = 1 / Math.expm1(C2_M_K / (LAID[o]! * cctK));
    x += LAID[o + 1]! * power;
    y += LAID[o + 2]! * power;
    z += LAID[o + 3]! * power;
  }
  const denominator = x + 15 * y + 3 * z;
  return { u: (4 * x) / denominator, v: (6 * y) / denominator };
}

const COOLEST_K = 1000;
const HOTTEST_K = 25_000;
/** Places along the locus that are tried first. */
const ROUGH = 12;
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
  // Purplish light has two nearest points: the nearer is looked for roughly first.
  const [hottest, coolest] = [1e6 / HOTTEST_K, 1e6 / COOLEST_K];
  const step = (coolest - hottest) / ROUGH;
  let rough = 0;
  let least = Infinity;
  for (let k = 0; k <= ROUGH; k++) {
    const distance = away(hottest + k * step);
    if (distance < least) [rough, least] = [k, distance];
  }
  let low = hottest + Math.max(0, rough - 1) * step;
  let high = hottest + Math.min(ROUGH, rough + 1) * step;
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
