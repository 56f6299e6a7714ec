import { boolean, double, int, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { uuid } from '../columns/uuid';

/** A material that people put on the shelf beside those that come with it. */
export const material = mysqlTable('material', {
  id: uuid().primaryKey(),
  name: varchar({ length: 80 }).notNull(),
  finish: varchar({ length: 80 }).notNull(),
  emissivity: double().notNull(),
  low: double().notNull(),
  high: double().notNull(),
  note: varchar({ length: 240 }).notNull(),
  source: varchar({ length: 160 }).notNull(),
  archived: boolean().notNull().default(false),
  version: int().notNull().default(1),
});
