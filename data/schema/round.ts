import { boolean, double, index, int, json, mysqlEnum, mysqlTable, text, unique, varchar } from 'drizzle-orm/mysql-core';
import { CHANGE_KINDS } from '@core/model/changeKinds';
import type { KitValue } from '@core/model/kitRow';
import type { LogEntry } from '@core/model/logRow';
import { ANSWERS, type StopValue } from '@core/model/stopRow';
import { VISIT_KINDS } from '@core/model/visitKinds';
import { moment } from '../columns/moment';
import { sha256 } from '../columns/sha256';
import { uuid } from '../columns/uuid';
import { blob } from './blob';
import { room, site } from './site';
import { visit } from './visit';

const ofVisit = () =>
  uuid('visit_id')
    .notNull()
    .references(() => visit.id);

/** What is known of one stop of a round. */
export const stop = mysqlTable(
  'stop',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    key: varchar({ length: 160 }).notNull(),
    answer: mysqlEnum(ANSWERS),
    reason: varchar({ length: 240 }).notNull().default(''),
    note: text().notNull(),
    probes: json().$type<StopValue['probes']>().notNull(),
    struck: boolean().notNull().default(false),
    openedAt: moment('opened_at'),
    answeredAt: moment('answered_at'),
    version: int().notNull().default(1),
  },
  (table) => [unique('stop_once').on(table.visitId, table.key)],
);

/** A stop that was added by hand. */
export const ownStop = mysqlTable('own_stop', {
  id: uuid().primaryKey(),
  siteId: uuid('site_id')
    .notNull()
    .references(() => site.id),
  roomId: uuid('room_id').references(() => room.id),
  title: varchar({ length: 120 }).notNull(),
  version: int().notNull().default(1),
});

/** Something that was changed for the survey. */
export const putBack = mysqlTable(
  'put_back',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    kind: mysqlEnum(CHANGE_KINDS).notNull(),
    what: varchar({ length: 160 }).notNull(),
    was: varchar({ length: 120 }).notNull(),
    now: varchar({ length: 120 }).notNull(),
    changedAt: moment('changed_at').notNull(),
    putBackAt: moment('put_back_at'),
    version: int().notNull().default(1),
  },
  (table) => [index('put_back_of_visit').on(table.visitId)],
);

/** Air as it was read, by hand or by a logger: one row a source. */
export const log = mysqlTable(
  'log',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    /** Whose air was read as the air inside; null for the house. */
    roomId: uuid('room_id'),
    name: varchar({ length: 160 }).notNull(),
    entries: json().$type<LogEntry[]>().notNull(),
    version: int().notNull().default(1),
  },
  (table) => [index('log_of_visit').on(table.visitId)],
);

/** What is packed for a visit. */
export const kit = mysqlTable('kit', {
  id: uuid().primaryKey(),
  visitId: ofVisit().unique(),
  items: json().$type<KitValue['items']>().notNull(),
  version: int().notNull().default(1),
});

/** What a kind of visit begins with, as somebody changed it. */
export const kitList = mysqlTable('kit_list', {
  id: uuid().primaryKey(),
  kind: mysqlEnum(VISIT_KINDS).notNull().unique(),
  items: json().$type<string[]>().notNull(),
  version: int().notNull().default(1),
});

/** A note that was spoken at a stop. */
export const recording = mysqlTable(
  'recording',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    stopKey: varchar('stop_key', { length: 160 }).notNull(),
    takenAt: moment('taken_at').notNull(),
    seconds: double().notNull(),
    mediaType: varchar('media_type', { length: 32 }).notNull(),
    fileSha: sha256('file_sha')
      .notNull()
      .references(() => blob.sha),
    version: int().notNull().default(1),
  },
  (table) => [index('recording_of_visit').on(table.visitId)],
);
