import { mixed } from '../transport/random';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { imul } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const spread = mixed;

/** Numbers of a point. */
const SIDES = 6;
const BITS = 32;
/** Bits of a place in the sequence: those that a first table answers, and those of a second. */
const [LOW_BITS, HIGH_BITS] = [12, 10];
const LOW = (1 << LOW_BITS) - 1;
const HIGH = (1 << HIGH_BITS) - 1;

/**
 * Sobol’s points for six sides: the first is van der Corput’s; of the others the degree, the inner coefficients of the primitive
 * polynomial, and the first direction numbers [Joe and Kuo 2008, “Constructing Sobol sequences with better
 * two-dimensional projections”, table new-joe-kuo-6.21201, sides 2 to 6].
 */
const JOE_KUO: readonly { degree: number; inner: number; first: readonly number[] }[] = [
  { degree: 1, inner: 0, first: [1] },
  { degree: 2, inner: 1, first: [1, 3] },
  { degree: 3, inner: 1, first: [1, 3, 1] },
  { degree: 3, inner: 2, first: [1, 1, 1] },
  { degree: 4, inner: 1, first: [1, 1, 3, 3] },
];

/** Direction numbers of a side, as 32 binary places each, by the recurrence of Bratley and Fox [1988]. */
function directions({ degree, inner, first }: (typeof JOE_KUO)[number]): number[] {
  const found: number[] = [];
  for (let k = 0; k < BITS; k++) {
    if (k < degree) found.push(first[k]! << (BITS - 1 - k));
    else {
      let next = found[k - degree]! ^ (found[k - degree]! >>> degree);
      for (let i = 1; i < degree; i++) if ((inner >>> (degree - 1 - i)) & 1) next ^= found[k - i]!;
      found.push(next);
    }
  }
  return found;
}

const CORPUT = Array.from({ length: BITS }, (_, k) => 1 << (BITS - 1 - k));

/**
 * Points by some bits of their place, the words turned so that the first binary place is the least bit: that is how they are
 * scrambled. A point is the sum without carry of what its bits bring.
 * @param from  the first of the bits
 */
function table(from: number, bits: number): Int32Array {
  const sides = [CORPUT, ...JOE_KUO.map(directions)];
  const points = new Int32Array((1 << bits) * SIDES);
  sides.forEach((numbers, side) => {
    for (let k = 1; k < 1 << bits; k++) {
      const bit = 31 - Math.clz32(k & -k);
      points[k * SIDES + side] =
        points[(k & (k - 1)) * SIDES + side]! ^ reverse(numbers[from + bit]!);
    }
  });
  return points;
}

const BY_LOW = table(0, LOW_BITS);
const BY_HIGH = table(LOW_BITS, HIGH_BITS);

function reverse(word: number): number {
  let x = word;
  x = ((x >>> 1) & 0x55555555) | ((x & 0x55555555) << 1);
  x = ((x >>> 2) & 0x33333333) | ((x & 0x33333333) << 2);
  x = ((x >>> 4) & 0x0f0f0f0f) | ((x & 0x0f0f0f0f) << 4);
  x = ((x >>> 8) & 0x00ff00ff) | ((x & 0x00ff00ff) << 8);
  return (x >>> 16) | (x << 16);
}

/**
 * A point of Sobol’s sequence, nested-uniformly scrambled [Owen 1995] by a hash that turns each bit over by those before it
 * alone [Laine and Karras 2011, “Stratified sampling for stochastic transparency”]. So every run of 2^m points from a
 * multiple of 2^m on stays as even as Sobol made it, and two scrambles know nothing of each other.
 * @param out       six numbers in [0, 1)
 * @param k         place in the sequence, below 2²²
 * @param scramble  which of the scrambles
 */
export function sequence(out: Float64Array, k: number, scramble: number): void {
  const low = (k & LOW) * SIDES;
  const high = ((k >>> LOW_BITS) & HIGH) * SIDES;
  const own = imul(scramble, 0x9e3779b9);
  for (let side = 0; side < SIDES; side++) {
    let x =
      (BY_LOW[low + side]! ^ BY_HIGH[high + side]!) + spread(own + imul(side + 1, 0x85ebca77));
    x ^= imul(x, 0x6c50b47c);
    x ^= imul(x, 0xb82f1e52);
    x ^= imul(x, 0xc7afe638);
    x ^= imul(x, 0x8d22f6e6);
    out[side] = (reverse(x) >>> 0) * 2.3283064365386963e-10;
  }
}
