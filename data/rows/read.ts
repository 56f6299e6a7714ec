import { eq, getTableColumns, inArray, or, type SQL } from 'drizzle-orm';
import type { MySqlColumn } from 'drizzle-orm/mysql-core';
import type { Entity, Row, Values } from '@core/entities';
import { entityOf } from '@core/entityOf';
import type { Connection } from '../connection';
import { SHAPES } from './shapes';
import { parentColumn, tableOf } from './tables';

type Stored = Record<string, unknown> & { id: string; version: number };

/** A stored row that cannot be read: somebody else's data, or a fault of ours. */
export interface Broken<E extends Entity = Entity> {
  entity: E;
  id: string;
  /** Which field, and what is wrong with it. */
  problem: string;
}

/** From a table's row to the row that people edit; what is no part of its value is left out. */
export function rowFrom<E extends Entity>(entity: E, stored: object): Row<E> {
  const { id, version, ...columns } = stored as Stored;
  const shape = SHAPES[entity] as { toFields(stored: object): object } | undefined;
  const all: Record<string, unknown> = shape ? { ...columns, ...shape.toFields(columns) } : columns;
  const value = Object.fromEntries(Object.keys(entityOf(entity).schema.shape).map((key) => [key, all[key]]));
  return { id, version, value: value as Values[E] };
}

/** Fields whose inner shape the database does not know: stored as JSON, or made of several columns. */
function loose(entity: Entity): string[] {
  const table = tableOf(entity);
  return Object.keys(entityOf(entity).schema.shape).filter((key) => table[key]?.columnType === 'MySqlJson' || !(key in table));
}

/** Rows whose inner parts were held against their schemas, and those that did not stand. */
export function readRows<E extends Entity>(entity: E, stored: readonly object[]): { rows: Row<E>[]; broken: Broken<E>[] } {
  const fields = loose(entity).map((key) => [key, entityOf(entity).schema.shape[key]!] as const);
  const rows: Row<E>[] = [];
  const broken: Broken<E>[] = [];
  for (const one of stored) {
    const row = rowFrom(entity, one);
    const value = row.value as Record<string, unknown>;
    const wrong = fields.flatMap(([key, schema]) => {
      const issue = (schema as { safeParse(v: unknown): { error?: { issues: { message: string }[] } } }).safeParse(value[key])
        .error?.issues[0];
      return issue ? [`${key} ${issue.message}`] : [];
    });
    if (wrong.length > 0) broken.push({ entity, id: row.id, problem: wrong[0]! });
    else rows.push(row);
  }
  return { rows, broken };
}

/** Columns of a kind's value: not those that only the server needs, which may be large. */
export function valueColumns(entity: Entity): Record<string, MySqlColumn> {
  const table = tableOf(entity);
  if (SHAPES[entity]) return getTableColumns(table);
  const keys = ['id', 'version', ...Object.keys(entityOf(entity).schema.shape)];
  return Object.fromEntries(keys.map((key) => [key, table[key]!]));
}

/**
 * Rows by their ids, with all columns.
 *
 * @param locked - held against others until the transaction ends
 */
export async function loadStored(
  connection: Connection,
  entity: string,
  ids: readonly string[],
  locked = false,
): Promise<Stored[]> {
  if (ids.length === 0) return [];
  const table = tableOf(entity);
  const asked = connection
    .select()
    .from(table)
    .where(inArray(table.id, [...ids].sort()));
  return (await (locked ? asked.for('update') : asked)) as Stored[];
}

/**
 * What hangs on some rows, over any number of steps: the condition on the kind's table.
 *
 * @param on - ids by kind
 * @returns undefined where rows of the kind never hang on these
 */
export function hangsOn(
  connection: Connection,
  entity: string,
  on: Readonly<Record<string, readonly string[]>>,
): SQL | undefined {
  const given = on[entity];
  if (given) return given.length === 0 ? undefined : inArray(tableOf(entity).id, [...given]);
  const ways = (entityOf(entity).parent?.kinds ?? []).flatMap((kind) => {
    const column = parentColumn(entity, kind)!;
    const ids = on[kind];
    if (ids) return ids.length === 1 ? [eq(column, ids[0])] : ids.length > 1 ? [inArray(column, [...ids])] : [];
    const parent = hangsOn(connection, kind, on);
    const table = tableOf(kind);
    return parent ? [inArray(column, connection.select({ id: table.id }).from(table).where(parent))] : [];
  });
  return or(...ways);
}
