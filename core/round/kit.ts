import { onlyRow } from '../visit/derive';
import type { VisitDocument } from '../visit/document';
import { KINDS, type VisitKind } from '../visit/kinds';
import type { Row } from '../visit/rows';
import { rowIdFrom } from '../visit/rowId';

/** What a kind of visit needs, nothing packed yet. */
export function kitFor(kind: VisitKind): { name: string; packed: boolean }[] {
  return KINDS[kind].bring.map((name) => ({ name, packed: false }));
}

/** The list of a visit, or the one that its kind begins with. */
export function kitOf(document: VisitDocument): Row<'kit'> {
  const stored = Object.values(document.rows.kit)[0];
  if (stored) return stored;
  const { visitId } = document;
  return { id: rowIdFrom(visitId, 'kit'), version: 0, value: { visitId, items: kitFor(onlyRow(document, 'intake').value.kind) } };
}
