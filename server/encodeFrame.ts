import { CoreError } from '@core/ground/errors';
import { type Frame } from '@core/method/frame/frame';
import { hasReading } from '@core/ground/hasReading';
import { writeCsv } from '@core/method/formats/csv/write';
import { writeNpy } from '@core/method/formats/npy/write';
import { writePng } from '@core/method/formats/png/write';
import { writeTiff } from '@core/method/formats/tiff/write';
import { nodeCodecs } from './codecs';

/** Formats that hold temperatures, by their endings. */
export const FRAME_FORMATS = {
  tif: 'image/tiff',
  npy: 'application/octet-stream',
  csv: 'text/csv; charset=utf-8',
  png: 'image/png',
  json: 'application/json',
} as const;

export type FrameFormat = keyof typeof FRAME_FORMATS;

/** @throws CoreError as the writers do */
export function encodeFrame(frame: Pick<Frame, 'width' | 'height' | 'values'>, format: FrameFormat): Uint8Array | string {
  switch (format) {
    case 'tif':
      return writeTiff(frame, nodeCodecs);
    case 'npy':
      return writeNpy(frame);
    case 'csv':
      return writeCsv(frame);
    case 'png':
      return writePng(frame, nodeCodecs);
    case 'json':
      return frameJson(frame);
  }
}

function frameJson(frame: Pick<Frame, 'width' | 'height' | 'values'>): string {
  const rows = Array.from({ length: frame.height }, (_, y) =>
    Array.from(frame.values.subarray(y * frame.width, (y + 1) * frame.width), (value) => (hasReading(value) ? value : null)),
  );
  return `${JSON.stringify({ width: frame.width, height: frame.height, unit: 'C', rows })}\n`;
}

/** @throws CoreError `bad_usage` for an ending that is not known */
export function requireFormat(ending: string): FrameFormat {
  const format = ending === 'tiff' ? 'tif' : ending;
  if (Object.hasOwn(FRAME_FORMATS, format)) return format as FrameFormat;
  throw new CoreError(
    'bad_usage',
    `Nothing is known about writing ${ending ? `.${ending}` : 'a file without an ending'}.`,
    {},
    'Choose .tif, .npy, .csv, .json or .png (16 bits of grey), or add --picture for a coloured .png.',
  );
}
