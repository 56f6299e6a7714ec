import { lookOptionsFor } from '@core/work/findings/lookAt';
import type { VisitDocument } from '@core/model/document';
import { lineFor } from '@core/work/visit/settingsInForce';
import type { Looked } from './useFrameLook';

/** A frame of the visit as it is looked through with its settings. */
export function lookedFrame(document: VisitDocument, frameId: string, values: Float32Array, least: number): Looked {
  const { width, height, pixelsSha } = document.frameFacts[frameId]!;
  const line = lineFor(document, frameId);
  const options = lookOptionsFor(document, frameId, least);
  const leftOut = options.ignored ? hashOf(options.ignored) : 0;
  const key = JSON.stringify([frameId, pixelsSha, line, options.side, options.drive, least, leftOut]);
  return { id: frameId, width, height, values, line, options, key };
}

/**
 * The frame of the last visit at the stop of a frame of this one.
 *
 * @returns null where there was none, or one of another size
 */
export function lastTimesFrame(document: VisitDocument, frameId: string): string | null {
  const { stopKey } = document.rows.frame[frameId]!.value;
  const earlier = document.earlier[stopKey ?? '']?.frame ?? null;
  const { width, height } = document.frameFacts[frameId]!;
  return earlier && earlier.width === width && earlier.height === height ? earlier.id : null;
}

/** Tells masks apart (FNV-1a). */
function hashOf(mask: Uint8Array): number {
  let hash = 0x811c9dc5;
  for (const one of mask) hash = Math.imul(hash ^ one, 0x01000193);
  return hash >>> 0;
}
