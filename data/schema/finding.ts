import { int, mysqlEnum, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core';
import { PAIR_BY } from '@core/frame/reading';
import { moment } from '../columns/moment';
import { uuid } from '../columns/uuid';
import { frame, region } from './frame';
import { photo } from './photo';
import { visit } from './visit';

/** What a person accepted as worth stating. */
export const finding = mysqlTable('finding', {
  id: uuid().primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .references(() => visit.id),
  frameId: uuid('frame_id')
    .notNull()
    .references(() => frame.id),
  /** This against that: the difference that is stated. Its number is always computed, never stored. */
  thisRegionId: uuid('this_region_id')
    .notNull()
    .references(() => region.id),
  thatRegionId: uuid('that_region_id')
    .notNull()
    .references(() => region.id),
  by: mysqlEnum('stated_by', PAIR_BY).notNull().default('mean'),
  photoId: uuid('photo_id').references(() => photo.id),
  title: varchar({ length: 160 }).notNull(),
  note: text().notNull(),
  recordedAt: moment('recorded_at')
    .notNull()
    .$defaultFn(() => Date.now()),
  version: int().notNull().default(1),
});
