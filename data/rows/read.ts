import { eq, getTableColumns, inArray, or, type SQL } from 'drizzle-orm';
import type { MySqlColumn } from 'drizzle-orm/mysql-core';
import type * as z from 'zod';
import type { Entity, Row, Values } from '@core/model/entities';
import { entityOf } from '@core/model/entityOf';
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

/** How rows of one kind are taken from its table: looked up once, not for each of thousands. */
function reader<E extends Entity>(entity: E): (stored: object) => Row<E> {
  const shape = SHAPES[entity] as { toFields(stored: object): object } | undefined;
  const keys = Object.keys(entityOf(entity).schema.shape);
  return (stored) => {
    const { id, version } = stored as Stored;
    const all = (shape ? { ...stored, ...shape.toFields(stored as Stored) } : stored) as Record<string, unknown>;
    const value: Record<string, unknown> = {};
    for (const key of keys) value[key] = all[key];
    return { id, version, value: value as Values[E] };
  };
}

/** From a table's row to the row that people edit; what is no part of its value is left out. */
export function rowFrom<E extends Entity>(entity: E, stored: object): Row<E> {
  return reader(entity)(stored);
}

/** Fields whose inner shape the database does not know: stored as JSON, or made of several columns. */
function looseFields(entity: Entity): { key: string; schema: z.ZodType }[] {
  const table = tableOf(entity);
  const { shape } = entityOf(entity).schema;
  return Object.entries(shape).flatMap(([key, schema]) =>
    table[key]?.columnType === 'MySqlJson' || !(key in table) ? [{ key, schema: schema as z.ZodType }] : [],
  );
}

/** Rows whose inner parts were held against their schemas, and those that did not stand. */
export function readRows<E extends Entity>(entity: E, stored: readonly object[]): { rows: Row<E>[]; broken: Broken<E>[] } {
  const read = reader(entity);
  const loose = looseFields(entity);
  const rows: Row<E>[] = [];
  const broken: Broken<E>[] = [];
  for (const one of stored) {
    const row = read(one);
    const value = row.value as Record<string, unknown>;
    const problem = settled(value, loose);
    if (problem === null) rows.push(row);
    else broken.push({ entity, id: row.id, problem });
  }
  return { rows, broken };
}

/** Takes fields as their schemas give them, with what was not there yet when they were stored; what is wrong with them, or null. */
function settled(value: Record<string, unknown>, loose: readonly { key: string; schema: z.ZodType }[]): string | null {
  for (const { key, schema } of loose) {
    const read = schema.safeParse(value[key]);
    if (!read.success) return `${key} ${read.error.issues[0]!.message}`;
    value[key] = read.data;
  }
  return null;
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
