import type { VisitDocument } from '@core/document';
import type { Row } from '@core/entities';

/** Probe values beside a frame, in the order in which they came. */
export function probesOf(document: VisitDocument, frameId: string): Row<'probe'>[] {
  return Object.values(document.rows.probe)
    .filter(({ value }) => value.frameId === frameId)
    .sort((a, b) => a.id.localeCompare(b.id));
}
