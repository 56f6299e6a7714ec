import { correctValues } from '@core/method/radiometry/measurement';
import { spansOfAll } from '@core/method/frame/region';
import { ownColours } from '@core/work/visit/frameView';
import { anchorFor, steadyScaleFor } from '@core/work/visit/colours';
import { leftOutOf } from '@core/work/visit/readings';
import { lineFor } from '@core/work/visit/settingsInForce';
import { isPractice, PRACTICE_WORD } from '@core/work/visit/practice';
import { visitRow } from '@core/work/visit/theVisit';
import type { Asking } from '@data/asking';
import { getBlob } from '@data/queries/blobs';
import { loadVisitDocument } from '@data/queries/document';
import { frameShas, visitOfFrame } from '@data/queries/files';
import { encodeFrame, FRAME_FORMATS, type FrameFormat } from './encodeFrame';
import { picturePng, practiceMarked } from './picture';

export interface ExportedFrame {
  bytes: Uint8Array;
  mediaType: string;
  fileName: string;
}

/**
 * A frame as a file: its temperatures under its settings, or the picture with its scale as the bench shows it.
 *
 * @param colours - of the picture: the visit's steady ones, or those of the frame alone
 * @throws CoreError `not_found`, and what the writers throw
 */
export async function exportFrame(
  asking: Asking,
  frameId: string,
  format: FrameFormat | 'picture',
  colours: 'steady' | 'frame',
): Promise<ExportedFrame> {
  const document = await loadVisitDocument(asking, await visitOfFrame(asking, frameId));
  const { width, height } = document.frameFacts[frameId]!;
  const row = document.rows.frame[frameId]!.value;
  const practice = isPractice(document);
  // A file of temperatures has no corner: its name says it.
  const name = practice ? `${PRACTICE_WORD} ${row.name}` : row.name;
  const pixels = async (id: string) =>
    new Float32Array(new Uint8Array(await getBlob(asking.db, (await frameShas(asking, id)).pixelsSha)).buffer);
  const values = await pixels(frameId);
  const line = lineFor(document, frameId);
  if (format !== 'picture') {
    const corrected = new Float32Array(values.length);
    correctValues(values, line, corrected);
    const content = encodeFrame({ width, height, values: corrected }, format);
    const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
    return { bytes, mediaType: FRAME_FORMATS[format], fileName: `${name}.${format}` };
  }
  const known = new Map([[frameId, values]]);
  const { referenceInsideId, referenceOutsideId } = visitRow(document).value;
  for (const id of [row.referenceId, referenceInsideId, referenceOutsideId]) {
    const of = document.rows.region[id ?? '']?.value.frameId;
    if (of && !known.has(of)) known.set(of, await pixels(of));
  }
  const anchor = anchorFor(document, frameId, (id) => known.get(id))!;
  const scale =
    colours === 'frame' ? ownColours(document, frameId, values, anchor).scale : steadyScaleFor(document, frameId, anchor);
  const png = await picturePng({ width, height, values }, line, scale, spansOfAll(leftOutOf(document, frameId), width, height));
  return { bytes: practice ? await practiceMarked(png) : png, mediaType: 'image/png', fileName: `${name} picture.png` };
}
