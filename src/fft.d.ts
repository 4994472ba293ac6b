/** What we use of fft.js, which brings no types. Complex numbers lie as real and imaginary parts, one after the other. */
declare module 'fft.js' {
  export default class FFT {
    /** @param size  a power of two, 2 or more */
    constructor(size: number);
    createComplexArray(): number[];
    /** Fills the first half of `out`; `values` are real. */
    realTransform(out: number[], values: number[]): void;
    transform(out: number[], values: number[]): void;
    inverseTransform(out: number[], values: number[]): void;
  }
}
