import { json, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { Kept } from '@core/paper/kept';
import { moment } from '../columns/moment';
import { sha256 } from '../columns/sha256';

/** What took seconds to find out, kept under all that it follows from: it can be thrown away at any time. */
export const kept = mysqlTable('kept', {
  key: sha256().primaryKey(),
  kind: varchar({ length: 16 }).$type<keyof Kept>().notNull(),
  value: json().$type<Kept[keyof Kept]>().notNull(),
  madeAt: moment('made_at')
    .notNull()
    .$defaultFn(() => Date.now()),
});
