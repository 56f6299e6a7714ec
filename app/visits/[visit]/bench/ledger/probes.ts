import type { VisitDocument } from '@core/model/document';
import type { Row } from '@core/model/entities';

/** Probe values beside a frame, in the order in which they came. */
export function probesOf(document: VisitDocument, frameId: string): Row<'probe'>[] {
  return Object.values(document.rows.probe)
    .filter(({ value }) => value.frameId === frameId)
    .sort((a, b) => a.id.localeCompare(b.id));
}
