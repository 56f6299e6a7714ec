import { double, int, json, mysqlEnum, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core';
import { RULINGS, type RulingValue } from '@core/model/rulingRow';
import { PAIR_BY } from '@core/method/frame/reading';
import { BASES, FINDING_STATES } from '@core/model/findingBasis';
import { EXPERIMENTS } from '@core/model/experiments';
import { EXHIBIT_ROLES } from '@core/model/exhibitRow';
import type { FindingValue } from '@core/model/findingRow';
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
  basis: mysqlEnum(BASES).notNull().default('pair'),
  stopKey: varchar('stop_key', { length: 160 }),
  /** Of the complaints of the visit's intake. */
  complaintId: uuid('complaint_id'),
  frameId: uuid('frame_id').references(() => frame.id),
  /** This against that: the difference that is stated. Its number is always computed, never stored. */
  thisRegionId: uuid('this_region_id').references(() => region.id),
  thatRegionId: uuid('that_region_id').references(() => region.id),
  by: mysqlEnum('stated_by', PAIR_BY).notNull().default('mean'),
  typed: json().$type<FindingValue['typed']>(),
  photoId: uuid('photo_id').references(() => photo.id),
  title: varchar({ length: 160 }).notNull(),
  note: text().notNull(),
  next: varchar({ length: 400 }).notNull().default(''),
  state: mysqlEnum(FINDING_STATES).notNull().default('open'),
  tried: mysqlEnum(EXPERIMENTS),
  triedAt: moment('tried_at'),
  lengthM: double('length_m'),
  material: varchar({ length: 120 }).notNull().default(''),
  /** What its cause is argued from. */
  argued: json().$type<FindingValue['argued']>(),
  recordedAt: moment('recorded_at')
    .notNull()
    .$defaultFn(() => Date.now()),
  version: int().notNull().default(1),
});

/** A further frame, pair or photo of a finding. */
export const exhibit = mysqlTable('exhibit', {
  id: uuid().primaryKey(),
  findingId: uuid('finding_id')
    .notNull()
    .references(() => finding.id),
  role: mysqlEnum(EXHIBIT_ROLES).notNull(),
  frameId: uuid('frame_id').references(() => frame.id),
  thisRegionId: uuid('this_region_id').references(() => region.id),
  thatRegionId: uuid('that_region_id').references(() => region.id),
  by: mysqlEnum('stated_by', PAIR_BY).notNull().default('mean'),
  photoId: uuid('photo_id').references(() => photo.id),
  note: varchar({ length: 400 }).notNull().default(''),
  addedAt: moment('added_at').notNull(),
  version: int().notNull().default(1),
});

/** What a person said of a candidate that became no finding. */
export const ruling = mysqlTable('ruling', {
  id: uuid().primaryKey(),
  frameId: uuid('frame_id')
    .notNull()
    .references(() => frame.id),
  stopKey: varchar('stop_key', { length: 160 }),
  ruling: mysqlEnum(RULINGS).notNull(),
  /** −1 for colder, 1 for warmer than around it. */
  sign: int().$type<RulingValue['sign']>().notNull(),
  box: json().$type<RulingValue['box']>().notNull(),
  reason: varchar({ length: 240 }).notNull().default(''),
  ruledAt: moment('ruled_at').notNull(),
  version: int().notNull().default(1),
});
