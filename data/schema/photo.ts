import { boolean, datetime, index, int, json, mysqlEnum, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
import type { Alignment } from '@core/method/frame/alignment';
import { PHOTO_ROLES, type PhotoValue } from '@core/model/photoRow';
import { sha256 } from '../columns/sha256';
import { uuid } from '../columns/uuid';
import { blob } from './blob';
import { frame } from './frame';
import { visit } from './visit';

/** A daylight picture, paired with a frame when one of the same moment or name is there. */
export const photo = mysqlTable(
  'photo',
  {
    id: uuid().primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visit.id),
    frameId: uuid('frame_id').references(() => frame.id),
    name: varchar({ length: 160 }).notNull(),
    role: mysqlEnum(PHOTO_ROLES).notNull().default('view'),
    stopKey: varchar('stop_key', { length: 160 }),
    discarded: boolean().notNull().default(false),
    takenAt: datetime('taken_at', { fsp: 3 }).notNull(),
    fileName: varchar('file_name', { length: 255 }).notNull(),
    fileSha: sha256('file_sha')
      .notNull()
      .references(() => blob.sha),
    mediaType: varchar('media_type', { length: 32 }).notNull(),
    width: int().notNull(),
    height: int().notNull(),
    evidence: boolean().notNull().default(false),
    typed: json().$type<PhotoValue['typed']>().notNull().default({ spots: [], lowC: null, highC: null }),
    alignment: json().$type<Alignment>(),
    quarters: int().notNull().default(0),
    mirrored: boolean().notNull().default(false),
    version: int().notNull().default(1),
  },
  (table) => [
    unique('photo_file_once').on(table.visitId, table.fileSha),
    index('photo_of_name').on(table.visitId, table.fileName),
    index('photo_of_moment').on(table.visitId, table.takenAt),
  ],
);
