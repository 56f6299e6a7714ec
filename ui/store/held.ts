import type { Entity, Row, Values } from '@core/entities';

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
  const copied = new Set<Entity>();
  for (const { entity, rowId, row } of changes) {
    if (!copied.has(entity)) {
      rows[entity] = { ...rows[entity] };
      copied.add(entity);
    }
    if (row) rows[entity][rowId] = row;
    else delete rows[entity][rowId];
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
