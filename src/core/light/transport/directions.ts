import { QUANTILES } from '../../units/spread';
import { BUFFER } from './random';

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const NUMBERS = BUFFER;
const STEPS = QUANTILES;

const { floor, max, min, pow, sqrt } = Math;

/**
 * Directions that are not Lambertian, seldom enough to be drawn outside the loop: out[0…2] is set from
 * random numbers of the buffer; returns how many it took.
 * @param kind class of emission, 5 for a density of cos^m about the axis, 6 for a measured one
 * @param exponent m, or where the emitter's quantiles begin
 */
export function drawInto(
  out: Float64Array,
  buffer: Float64Array,
  at: number,
  kind: number,
  ax: number,
  ay: number,
  az: number,
  exponent: number,
  quantiles: Float64Array,
): number {
  let i = at;
  let u, v, s;
  if (kind >= 5) {
    const chance = buffer[i++]!;
    let cosine;
    if (kind === 5) cosine = pow(chance, 1 / (exponent + 1));
    else {
      const step = min(STEPS - 1, floor(chance * STEPS));
      const from = quantiles[exponent + step]!;
      cosine = from + (quantiles[exponent + step + 1]! - from) * (chance * STEPS - step);
    }
    const sine = sqrt(max(0, 1 - cosine * cosine));
    do {
      u = 2 * buffer[i++]! - 1;
      v = 2 * buffer[i++]! - 1;
      s = u * u + v * v;
    } while ((s >= 1 || s < 1e-12) && i < NUMBERS - 2);
    const by = sine / sqrt(s);
    // A frame round the axis without a special case at the pole [Duff and others 2017; from memory].
    const sign = az >= 0 ? 1 : -1;
    const a = -1 / (sign + az);
    const b = ax * ay * a;
    u *= by;
    v *= by;
    out[0] = u * (1 + sign * ax * ax * a) + v * b + cosine * ax;
    out[1] = u * sign * b + v * (sign + ay * ay * a) + cosine * ay;
    out[2] = -u * sign * ax - v * ay + cosine * az;
    return i - at;
  }
  for (;;) {
    do {
      u = 2 * buffer[i++]! - 1;
      v = 2 * buffer[i++]! - 1;
      s = u * u + v * v;
    } while (s >= 1 && i < NUMBERS - 3);
    // A point on the unit sphere, by rejection from the disc [Marsaglia 1972; from memory].
    const root = 2 * sqrt(max(0, 1 - s));
    out[0] = u * root;
    out[1] = v * root;
    out[2] = 1 - 2 * s;
    if (kind === 0 || i >= NUMBERS - 3) return i - at;
    const cosine = out[0] * ax + out[1] * ay + out[2] * az;
    const sine = sqrt(max(0, 1 - cosine * cosine));
    const wanted = kind === 1 ? (1 + cosine) / 2 : kind === 2 ? 0.35 + 0.65 * sine : sine;
    if (buffer[i++]! < wanted) return i - at;
  }
}
