import { int, json, mysqlEnum, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core';
import { WORKS } from '@core/method/compare/lossChange';
import { OUTCOMES, type PairValue, SAID_WALLS } from '@core/model/pairRow';
import { uuid } from '../columns/uuid';
import { frame } from './frame';
import { visit } from './visit';

/** This frame against that one of before. */
export const pair = mysqlTable('pair', {
  id: uuid().primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .references(() => visit.id),
  /** Of an earlier visit, which may be removed without this one. */
  beforeVisitId: uuid('before_visit_id').notNull(),
  beforeFrameId: uuid('before_frame_id').notNull(),
  afterFrameId: uuid('after_frame_id')
    .notNull()
    .references(() => frame.id),
  findingId: uuid('finding_id'),
  title: varchar({ length: 160 }).notNull(),
  regions: json().$type<PairValue['regions']>().notNull(),
  points: json().$type<PairValue['points']>().notNull(),
  outcome: mysqlEnum(OUTCOMES),
  wall: mysqlEnum(SAID_WALLS),
  work: mysqlEnum(WORKS),
  note: text().notNull(),
  version: int().notNull().default(1),
});
