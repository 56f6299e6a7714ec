import type { VisitDocument } from '../document';
import type { Row } from '../entities';

/** Findings in the order in which they were recorded. */
export function orderedFindings(document: VisitDocument): Row<'finding'>[] {
  const time = (row: Row<'finding'>) => document.recordedAt[row.id] ?? '9';
  return Object.values(document.rows.finding).sort((a, b) => time(a).localeCompare(time(b)) || a.id.localeCompare(b.id));
}
