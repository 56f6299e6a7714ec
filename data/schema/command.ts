import { datetime, json, mysqlTable } from 'drizzle-orm/mysql-core';
import { uuid } from '../columns/uuid';

/** Commands that were carried out, by their ids: one that arrives a second time gets its first answer. */
export const command = mysqlTable('command', {
  id: uuid().primaryKey(),
  at: datetime({ fsp: 3 }).notNull(),
  answer: json().notNull(),
});
