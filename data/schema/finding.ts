import { datetime, int, mysqlTable, text, unique, varchar } from 'drizzle-orm/mysql-core';
import { uuid } from '../columns/uuid';
import { frame, region } from './frame';
import { photo } from './photo';
import { visit } from './visit';

/** This against that: two regions of one frame whose difference is stated. Its number is always computed, never stored. */
export const pair = mysqlTable(
  'pair',
  {
    id: uuid().primaryKey(),
    thisRegionId: uuid('this_region_id')
      .notNull()
      .references(() => region.id),
    thatRegionId: uuid('that_region_id')
      .notNull()
      .references(() => region.id),
  },
  (table) => [unique('pair_once').on(table.thisRegionId, table.thatRegionId)],
);

/** What a person accepted as worth stating. */
export const finding = mysqlTable('finding', {
  id: uuid().primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .references(() => visit.id),
  frameId: uuid('frame_id')
    .notNull()
    .references(() => frame.id),
  pairId: uuid('pair_id')
    .notNull()
    .references(() => pair.id),
  photoId: uuid('photo_id').references(() => photo.id),
  title: varchar({ length: 160 }).notNull(),
  note: text().notNull(),
  recordedAt: datetime('recorded_at', { fsp: 3 }).notNull(),
  version: int().notNull().default(1),
});
