import type { VisitDocument } from '@core/visit/document';
import type { Row, Values, VisitEntity } from '@core/visit/rows';

/** A change of the document as the interface holds it. */
export type DocumentAction =
  | { kind: 'set'; entity: VisitEntity; rowId: string; value: Values[VisitEntity] | null }
  | { kind: 'stored'; entity: VisitEntity; rowId: string; row: Row<VisitEntity> | null }
  | { kind: 'version'; entity: VisitEntity; rowId: string; version: number }
  | { kind: 'loaded'; document: VisitDocument };

function withRow(document: VisitDocument, entity: VisitEntity, rowId: string, row: Row<VisitEntity> | null): VisitDocument {
  const rows: Record<string, Row<VisitEntity>> = { ...document.rows[entity] };
  if (row) rows[rowId] = row;
  else delete rows[rowId];
  return { ...document, rows: { ...document.rows, [entity]: rows } };
}

export function documentReducer(document: VisitDocument, action: DocumentAction): VisitDocument {
  switch (action.kind) {
    case 'set': {
      const version = document.rows[action.entity][action.rowId]?.version ?? 0;
      return withRow(document, action.entity, action.rowId, action.value && { id: action.rowId, version, value: action.value });
    }
    case 'stored':
      return withRow(document, action.entity, action.rowId, action.row);
    case 'version': {
      const row = document.rows[action.entity][action.rowId];
      return row ? withRow(document, action.entity, action.rowId, { ...row, version: action.version }) : document;
    }
    case 'loaded':
      return action.document;
  }
}
