import FFT from 'fft.js';

/** Real and imaginary parts, one after the other. */
export type Complex = Float64Array;

const plans = new Map<number, FFT>();
const planOf = (size: number): FFT => {
  const known = plans.get(size) ?? new FFT(size);
  plans.set(size, known);
  return known;
};

/** The least power of two that is not smaller, 2 at least. */
export const powerOfTwo = (count: number): number => 2 ** Math.max(1, Math.ceil(Math.log2(count)));

/** Amplitudes of a real signal by whole periods over its length, 0…size/2; padded with nothing to `size`, a power of two. */
export function amplitudes(values: ArrayLike<number>, size: number): Float64Array {
  const plan = planOf(size);
  const padded = new Array<number>(size).fill(0);
  for (let k = 0; k < values.length; k++) padded[k] = values[k]!;
  const out = plan.createComplexArray() as number[];
  plan.realTransform(out, padded);
  return Float64Array.from({ length: size / 2 + 1 }, (_, k) =>
    Math.hypot(out[2 * k]!, out[2 * k + 1]!),
  );
}

/** Rows, then columns, of a square of complex numbers, in place. */
export function transformSquareInPlace(square: Complex, size: number, back: boolean): void {
  const plan = planOf(size);
  const line = new Float64Array(2 * size);
  const done = new Float64Array(2 * size);
  const turn = () =>
    back
      ? plan.inverseTransform(done as unknown as number[], line as unknown as number[])
      : plan.transform(done as unknown as number[], line as unknown as number[]);
  for (let row = 0; row < size; row++) {
    const at = 2 * row * size;
    for (let k = 0; k < 2 * size; k++) line[k] = square[at + k]!;
    turn();
    for (let k = 0; k < 2 * size; k++) square[at + k] = done[k]!;
  }
  for (let column = 0; column < size; column++) {
    for (let row = 0; row < size; row++) {
      const at = 2 * (row * size + column);
      line[2 * row] = square[at]!;
      line[2 * row + 1] = square[at + 1]!;
    }
    turn();
    for (let row = 0; row < size; row++) {
      const at = 2 * (row * size + column);
      square[at] = done[2 * row]!;
      square[at + 1] = done[2 * row + 1]!;
    }
  }
}
