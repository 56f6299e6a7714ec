import { readStructure, TAG, tiffByteOrder } from './directory';

/**
 * When a TIFF says that it was taken, in seconds; null for another file, a damaged one, or one that does not say.
 *
 * The camera's clock knows no time zone: only differences between files of one camera mean something.
 */
export function tiffMoment(bytes: Uint8Array): number | null {
  const order = tiffByteOrder(bytes);
  if (!order) return null;
  let text: string | null;
  try {
    text = readStructure(bytes, order, 0).page.text(TAG.dateTime);
  } catch {
    return null;
  }
  const match = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)$/.exec(text?.trim() ?? '');
  if (!match) return null;
  const [year, month, day, hour, minute, second] = match.slice(1).map(Number) as [number, number, number, number, number, number];
  const ms = Date.UTC(year, month - 1, day, hour, minute, second);
  const back = new Date(ms);
  return back.getUTCMonth() === month - 1 && back.getUTCHours() === hour ? ms / 1000 : null;
}
