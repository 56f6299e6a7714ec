import type { Entity, Row, Values } from '@core/model/entities';
import { groupedBy } from '@core/ground/derived';
import { changedFrom } from '@core/ground/groups';

/** A new value of one row, or null to remove it. */
export interface RowChange {
  entity: Entity;
  rowId: string;
  value: Values[Entity] | null;
}

/** What a page holds: rows by kind and id, beside whatever else it knows. Never changed in place. */
export interface Held {
  rows: { [E in Entity]?: Record<string, Row<E>> };
}

export function rowIn(held: Held, entity: Entity, rowId: string): Row<Entity> | null {
  return (held.rows[entity] as Record<string, Row<Entity>> | undefined)?.[rowId] ?? null;
}

/** With these rows in place of those of their ids; null takes a row away. Kinds that do not change stay the same object. */
export function withRows<D extends Held>(
  held: D,
  changes: readonly { entity: Entity; rowId: string; row: Row<Entity> | null }[],
): D {
  if (changes.length === 0) return held;
  const rows = { ...held.rows } as Record<Entity, Record<string, Row<Entity>>>;
  for (const [entity, ofKind] of groupedBy(changes, (change) => change.entity) as Map<Entity, typeof changes>) {
    const before = held.rows[entity] as Record<string, Row<Entity>> | undefined;
    const after = { ...before };
    for (const { rowId, row } of ofKind) {
      if (row) after[rowId] = row;
      else delete after[rowId];
    }
    if (before) changedFrom(after, before, [...new Set(ofKind.map(({ rowId }) => rowId))]);
    rows[entity] = after;
  }
  return { ...held, rows };
}

/** All rows that are held. */
export function rowsIn(held: Held): { entity: Entity; row: Row<Entity> }[] {
  return (Object.entries(held.rows) as [Entity, Record<string, Row<Entity>>][]).flatMap(([entity, rows]) =>
    Object.values(rows).map((row) => ({ entity, row })),
  );
}

/** Rows by their ids. */
export function byId<R extends { id: string }>(rows: readonly R[]): Record<string, R> {
  return Object.fromEntries(rows.map((row) => [row.id, row]));
}
