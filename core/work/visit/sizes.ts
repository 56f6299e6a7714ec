import type { VisitDocument } from '../../model/document';
import { CoreError } from '../../ground/errors';
import { type Metric, metricOf } from '../../method/frame/metric';
import { cameraOfFrame } from './frames';
import { settingsFor } from './settingsInForce';

/** How pixels of a frame become metres; null when nothing is known, or when what was marked makes no sense. */
export function metricFor(document: VisitDocument, frameId: string): Metric | null {
  const { width, height } = document.frameFacts[frameId]!;
  try {
    return metricOf(
      document.rows.frame[frameId]!.value.measure,
      cameraOfFrame(document, frameId),
      settingsFor(document, frameId).distanceM.value,
      { width, height },
    );
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return null;
  }
}
