import { corrected, type Correction } from '@core/work/camera/correction';
import { CoreError } from '@core/ground/errors';
import { extremesOf } from '@core/ground/extremes';
import type { FrameWarning } from '@core/method/frame/frame';
import type { Basis } from '@core/ground/basis';
import { estimateNoise } from '@core/ground/noise';
import { thumbnailOf } from '@core/method/frame/thumbnail';
import { requirePages } from '@core/method/formats/pages';
import { readFrame } from '@core/method/formats/readFrame';
import { nodeCodecs } from './codecs';

export interface FileToDecode {
  bytes: Uint8Array;
  /** Up to 1 % of the pixels may be without a value. */
  allowMissing?: boolean;
  /** Said by the user, when a camera already computed the values. */
  basis?: Basis | undefined;
  /** How its camera's checks say that readings are put right. */
  correction: Correction;
}

/** A file's frame, ready to be stored. Plain data: it crosses from the worker as it is. */
export interface DecodedFrame {
  width: number;
  height: number;
  /** Little-endian float32, °C. */
  pixels: Uint8Array;
  thumb: { width: number; height: number; pixels: Uint8Array };
  format: string;
  sourceUnit: string;
  /** Pages in the file. */
  pages: number;
  basis: Basis;
  /** How what the file says was put right. */
  offsetK: number;
  slope: number;
  noiseK: number;
  minC: number;
  maxC: number;
  meanC: number;
  warnings: FrameWarning[];
}

/** Longest side of a thumbnail, pixels. */
const THUMB_PIXELS = 96;

/** Every machine that this runs on is little-endian, so a Float32Array's bytes are what is stored. */
function bytesOf(values: Float32Array): Uint8Array {
  return new Uint8Array(values.buffer, values.byteOffset, values.byteLength);
}

/**
 * Reads the pages of a radiometric file one by one, adds its camera's offset and computes what never changes about each. The
 * file itself is kept as it came, so that the offset can be undone. How many pages and pixels it has is held against the
 * limits before any of them is read.
 *
 * @throws CoreError as `readFrame` and `requirePages`
 */
export function* decodePages(file: FileToDecode): Generator<DecodedFrame> {
  const pages = requirePages(file.bytes);
  for (let page = 0; page < pages; page += 1) yield decodePage(file, page);
}

function decodePage({ bytes, correction, allowMissing = false, basis }: FileToDecode, page: number): DecodedFrame {
  const frame = readFrame(bytes, nodeCodecs, { page, allowMissing, ...(basis && { basis }) });
  if (correction.offsetK !== 0 || correction.slope !== 0)
    frame.values.forEach((value, i) => (frame.values[i] = corrected(value, correction)));
  const extremes = extremesOf(frame.values);
  if (!extremes) throw new CoreError('not_finite', 'No pixel of the file holds a temperature.', {}, 'Export the frame again.');
  const thumb = thumbnailOf(frame, THUMB_PIXELS);
  return {
    width: frame.width,
    height: frame.height,
    pixels: bytesOf(frame.values),
    thumb: { width: thumb.width, height: thumb.height, pixels: bytesOf(thumb.values) },
    format: frame.provenance.format,
    sourceUnit: frame.provenance.sourceUnit,
    pages: frame.provenance.pages,
    basis: frame.basis,
    ...correction,
    noiseK: estimateNoise(frame),
    minC: extremes.min,
    maxC: extremes.max,
    meanC: extremes.mean,
    warnings: [...frame.warnings],
  };
}
