import { CoreError } from '../../ground/errors';
import type { TemperatureUnit } from '../../ground/temperature';
import type { Basis } from '../../ground/basis';

export interface Provenance {
  format: 'tiff' | 'csv' | 'npy' | 'png' | 'simulated';
  sourceUnit: TemperatureUnit;
  /** Pages found in the file, of which this frame is one. */
  pages: number;
}

export interface FrameWarning {
  code: 'first_of_pages' | 'unit_assumed_kelvin' | 'missing_pixels' | 'header_ignored' | 'before_visit' | 'sequence_split';
  message: string;
}

/** One radiometric picture: temperatures in °C, row by row from the top left; NaN is a pixel without a reading. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
  readonly basis: Basis;
  readonly provenance: Provenance;
  readonly warnings: readonly FrameWarning[];
}

/** The largest picture that is read, in pixels. Façades joined from many frames fit; a hostile header does not. */
export const MAX_PIXELS = 6_000_000;

/** The longest side that is read, pixels. */
export const MAX_SIDE = 20_000;

/**
 * Refuses sizes that no frame has.
 *
 * @throws CoreError `malformed` below 2×2 pixels or for fractions, `too_large` above 6 million pixels or 20 000 a side
 */
export function requireFrameSize(width: number, height: number, byte?: number): void {
  const where = byte === undefined ? {} : { byte };
  if (!Number.isInteger(width) || !Number.isInteger(height) || width < 2 || height < 2) {
    throw new CoreError(
      'malformed',
      `The file describes a picture of ${width} × ${height} pixels; a frame has at least 2 × 2.`,
      where,
      'Export the frame again with its full grid of temperatures.',
    );
  }
  if (width * height > MAX_PIXELS || Math.max(width, height) > MAX_SIDE) {
    throw new CoreError(
      'too_large',
      `The file describes a picture of ${width} × ${height} pixels; the largest frame that is read has ${MAX_PIXELS.toLocaleString('en')} pixels and ${MAX_SIDE.toLocaleString('en')} a side.`,
      where,
      'Check that the file is whole, or crop the picture before exporting it.',
    );
  }
}
