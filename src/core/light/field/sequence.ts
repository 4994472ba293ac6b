// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { floor, sqrt } = Math;

/**
 * Numbers that fill a cube of six sides evenly: multiples of the powers of 1/φ6, φ6 the root of x⁷ = x + 1
 * [Roberts 2018, “The unreasonable effectiveness of quasirandom sequences”; from memory], shifted for each part by
 * an amount of its own [Cranley and Patterson 1976].
 */
const SIDES = 6;
const ROOT = (() => {
  let x = 1.1;
  for (let k = 0; k < 60; k++) x = (1 + x) ** (1 / (SIDES + 1));
  return x;
})();
const STEPS = Float64Array.from({ length: SIDES }, (_, k) => ROOT ** -(k + 1));
/** Shifts of the parts: fractions of multiples of roots of primes, as far apart as any. */
const SHIFTS = [2, 3, 5, 7, 11, 13].map((prime) => sqrt(prime));

/** The k-th point of a part into `out`. */
export function sequence(out: Float64Array, k: number, part: number): void {
  for (let side = 0; side < SIDES; side++) {
    const value = (k + 1) * STEPS[side]! + (part + 1) * SHIFTS[side]!;
    out[side] = value - floor(value);
  }
}
