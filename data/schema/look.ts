import { json, mysqlTable } from 'drizzle-orm/mysql-core';
import type { FrameLook } from '@core/work/findings/seen';
import { moment } from '../columns/moment';
import { sha256 } from '../columns/sha256';

/** What was seen in a frame, kept under pixels, settings and the version that looked: it can be thrown away at any time. */
export const look = mysqlTable('look', {
  key: sha256().primaryKey(),
  found: json().$type<FrameLook>().notNull(),
  madeAt: moment('made_at')
    .notNull()
    .$defaultFn(() => Date.now()),
});
