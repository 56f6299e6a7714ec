import type { VisitDocument } from '../document';
import type { Grid } from '../detect/grid';
import { correctValues } from '../radiometry/measurement';
import { lineFor } from './settingsInForce';

/** A frame's surface temperatures under its settings. */
export function surfaceFor(document: VisitDocument, frameId: string, values: Float32Array): Grid {
  const { width, height } = document.frameFacts[frameId]!;
  const surface = new Float32Array(values.length);
  correctValues(values, lineFor(document, frameId), surface);
  return { width, height, values: surface };
}
