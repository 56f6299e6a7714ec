import { onlyRow } from '../visit/theVisit';
import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { rowIdFrom } from '../../ground/rowId';
import { KINDS, type VisitKind } from '../../model/visitKinds';

/** Lists by kind belong to no visit; their ids follow from this and the kind. */
const LISTS = '0199d000-0000-7000-8000-0000000c1757';

/** What a kind of visit begins with: the list that somebody kept, else the usual one. */
export function kitListOf(document: VisitDocument, kind: VisitKind): Row<'kitList'> {
  const id = rowIdFrom(LISTS, kind);
  return document.rows.kitList[id] ?? { id, version: 0, value: { kind, items: KINDS[kind].bring } };
}

/** The list of a visit, or the one that its kind begins with, nothing packed yet. */
export function kitOf(document: VisitDocument): Row<'kit'> {
  const stored = Object.values(document.rows.kit)[0];
  if (stored) return stored;
  const { visitId } = document;
  const { items } = kitListOf(document, onlyRow(document, 'intake').value.kind).value;
  return {
    id: rowIdFrom(visitId, 'kit'),
    version: 0,
    value: { visitId, items: items.map((name) => ({ name, packed: false })) },
  };
}
