import { index, json, mysqlTable } from 'drizzle-orm/mysql-core';
import { moment } from '../columns/moment';
import { uuid } from '../columns/uuid';

/** Commands that were carried out, by their ids: one that arrives a second time gets its first answer. */
export const command = mysqlTable(
  'command',
  {
    id: uuid().primaryKey(),
    at: moment().notNull(),
    answer: json().notNull(),
  },
  (table) => [index('command_at').on(table.at)],
);
