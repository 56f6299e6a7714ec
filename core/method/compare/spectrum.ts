import FFT from 'fft.js';

/** Fourier transforms of square planes of complex numbers, in place: real, imaginary, real, …, row by row. */
export class Spectrum {
  private readonly fft: FFT;
  private readonly line: Float64Array;
  private readonly out: Float64Array;

  /** @param size - of a side, a power of two */
  constructor(readonly size: number) {
    this.fft = new FFT(size);
    this.line = new Float64Array(2 * size);
    this.out = new Float64Array(2 * size);
  }

  /** A plane of zeros. */
  plane(): Float64Array {
    return new Float64Array(2 * this.size * this.size);
  }

  transform(plane: Float64Array): void {
    this.along(plane, (out, line) => this.fft.transform(out, line));
  }

  inverse(plane: Float64Array): void {
    this.along(plane, (out, line) => this.fft.inverseTransform(out, line));
  }

  private along(plane: Float64Array, run: (out: Float64Array, line: Float64Array) => void): void {
    const { size, line, out } = this;
    for (let y = 0; y < size; y += 1) {
      const row = plane.subarray(2 * y * size, 2 * (y + 1) * size);
      line.set(row);
      run(out, line);
      row.set(out);
    }
    for (let x = 0; x < size; x += 1) {
      for (let y = 0; y < size; y += 1) {
        line[2 * y] = plane[2 * (y * size + x)]!;
        line[2 * y + 1] = plane[2 * (y * size + x) + 1]!;
      }
      run(out, line);
      for (let y = 0; y < size; y += 1) {
        plane[2 * (y * size + x)] = out[2 * y]!;
        plane[2 * (y * size + x) + 1] = out[2 * y + 1]!;
      }
    }
  }
}
