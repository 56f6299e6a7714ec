import { bigint, index, int, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { moment } from '../columns/moment';
import { uuid } from '../columns/uuid';

/** Which rows were changed when, so that a page that has a visit asks for what is new and not for all of it. */
export const change = mysqlTable(
  'change',
  {
    id: bigint({ mode: 'number' }).autoincrement().primaryKey(),
    at: moment().notNull(),
    /** The visit, site or loan that it belongs to; null for the shelf. */
    placeId: uuid('place_id'),
    entity: varchar({ length: 24 }).notNull(),
    rowId: uuid('row_id').notNull(),
    /** The version that the row had or got: one that comes back goes on from there, so that no version means two values. */
    version: int().notNull(),
  },
  (table) => [
    index('change_of_place').on(table.placeId, table.at),
    index('change_at').on(table.at),
    index('change_of_row').on(table.rowId),
  ],
);
