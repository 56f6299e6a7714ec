declare module 'fft.js' {
  /** Complex transforms of one length; numbers lie as real, imaginary, real, … */
  export default class FFT {
    constructor(size: number);
    transform(out: Float64Array, input: Float64Array): void;
    inverseTransform(out: Float64Array, input: Float64Array): void;
  }
}
