import type { MySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import { entityOf } from '@core/model/entityOf';
import * as schema from '../schema';

/** What tables of rows that people edit have in common. */
export type RowTable = MySqlTable & Record<string, MySqlColumn> & { id: MySqlColumn; version: MySqlColumn };

/** The table of a kind of row: it has the kind's name. */
export function tableOf(entity: string): RowTable {
  const table = (schema as unknown as Record<string, RowTable | undefined>)[entity];
  if (!table) throw new Error(`There is no table for ${entity}.`);
  return table;
}

/** The column that names the parent of this kind; undefined where rows hang on nothing of the kind. */
export function parentColumn(entity: string, parentKind: string): MySqlColumn | undefined {
  const { parent } = entityOf(entity);
  if (!parent?.kinds.includes(parentKind)) return undefined;
  return tableOf(entity)[parent.kindField ? `${parentKind}Id` : parent.field];
}
