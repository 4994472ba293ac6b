/** Numbers made at a time, and how many of them must be left when a photon meets a surface. */
export const BUFFER = 4096;
export const MARGIN = 256;

/** By a name of its own: looking it up on `Math` at every draw costs more than the draw where globals are guarded. */
const { imul } = Math;

/** One mixing round of murmur3's finaliser; spreads neighbouring seeds far apart. */
export function mixed(word: number): number {
  let h = word | 0;
  h = imul(h ^ (h >>> 16), 0x85ebca6b);
  h = imul(h ^ (h >>> 13), 0xc2b2ae35);
  return h ^ (h >>> 16);
}

/**
 * State of a stream of its own for one chunk of a run, so that the sum does not depend on who works
 * which chunk. Streams start at far-apart places of a cycle of 2⁶⁴ − 1 numbers.
 * @param seed, chunk  whole numbers
 */
export function streamFor(seed: number, chunk: number): Int32Array {
  const s0 = mixed(seed ^ imul(chunk + 1, 0x9e3779b9));
  const s1 = mixed(imul(seed, 0x85ebca77) + chunk + 0x165667b1);
  return Int32Array.of(s0 === 0 && s1 === 0 ? 1 : s0, s1);
}

/**
 * Fills a buffer with uniform numbers in [0, 1) and moves the state on: xoroshiro64* [Blackman, Vigna
 * 2018; from memory]. Made in one go, so that the state lives in registers.
 */
export function fillUniform(buffer: Float64Array, state: Int32Array): void {
  let s0 = state[0]!;
  let s1 = state[1]!;
  for (let k = 0; k < buffer.length; k++) {
    buffer[k] = (imul(s0, 0x9e3779bb) >>> 0) * 2.3283064365386963e-10;
    s1 ^= s0;
    s0 = ((s0 << 26) | (s0 >>> 6)) ^ s1 ^ (s1 << 9);
    s1 = (s1 << 13) | (s1 >>> 19);
  }
  state[0] = s0;
  state[1] = s1;
}

/** What one chunk's run needs besides the arrangement. */
export interface Chance {
  state: Int32Array;
  buffer: Float64Array;
  /** the next number to take */
  at: number;
}
