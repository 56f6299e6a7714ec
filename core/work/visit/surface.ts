import type { VisitDocument } from '../../model/document';
import type { Grid } from '../../ground/grid';
import { correctValues } from '../../method/radiometry/measurement';
import { lineFor } from './settingsInForce';

/** A frame's surface temperatures under its settings. */
export function surfaceFor(document: VisitDocument, frameId: string, values: Float32Array): Grid {
  const { width, height } = document.frameFacts[frameId]!;
  const surface = new Float32Array(values.length);
  correctValues(values, lineFor(document, frameId), surface);
  return { width, height, values: surface };
}
