/** The package ships without types: what Jubb uses of it. */
declare module 'fft.js' {
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    /** Fills the first half (and the middle) of `out`: real and imaginary parts in turn. */
    realTransform(out: number[], data: ArrayLike<number>): void;
  }
}
