import type { VisitDocument } from '@core/visit/document';
import type { Entity, Row, Values } from '@core/visit/rows';

/** A change of the document as the interface holds it. */
export type DocumentAction =
  | { kind: 'set'; entity: Entity; rowId: string; value: Values[Entity] | null }
  | { kind: 'stored'; entity: Entity; rowId: string; row: Row<Entity> | null }
  | { kind: 'version'; entity: Entity; rowId: string; version: number }
  | { kind: 'loaded'; document: VisitDocument };

function withRow(document: VisitDocument, entity: Entity, rowId: string, row: Row<Entity> | null): VisitDocument {
  const rows: Record<string, Row<Entity>> = { ...document.rows[entity] };
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
