import { sql } from 'drizzle-orm';
import { boolean, check, double, int, json, mysqlEnum, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
import type { HandoverValue } from '@core/model/handoverRow';
import type { LoanHomeValue } from '@core/model/loanHomeRow';
import { STRICTNESSES } from '@core/method/weather/plan';
import { moment } from '../columns/moment';
import { uuid } from '../columns/uuid';
import { camera } from './camera';
import { site } from './site';
import { weather } from './weather';

/** One camera lent for some days, to be shared among homes. */
export const loan = mysqlTable(
  'loan',
  {
    id: uuid().primaryKey(),
    name: varchar({ length: 160 }).notNull(),
    timeZone: varchar('time_zone', { length: 64 }).notNull(),
    latitude: double().notNull(),
    longitude: double().notNull(),
    from: moment('starts_at').notNull(),
    to: moment('ends_at').notNull(),
    insideC: double('inside_c').notNull(),
    strictness: mysqlEnum(STRICTNESSES).notNull(),
    practice: boolean().notNull().default(false),
    weatherId: uuid('weather_id').references(() => weather.id),
    archived: boolean().notNull().default(false),
    version: int().notNull().default(1),
  },
  (table) => [check('loan_ends_after_it_begins', sql`${table.to} > ${table.from}`)],
);

/** A home that waits for the camera of a loan; its ordinal is its place on the waiting list. */
export const loanHome = mysqlTable(
  'loan_home',
  {
    id: uuid().primaryKey(),
    loanId: uuid('loan_id')
      .notNull()
      .references(() => loan.id),
    siteId: uuid('site_id')
      .notNull()
      .references(() => site.id),
    ordinal: int().notNull(),
    minutes: int().notNull(),
    travelMinutes: int('travel_minutes').notNull(),
    presences: json().$type<LoanHomeValue['presences']>().notNull(),
    facades: json().$type<number[] | null>(),
    version: int().notNull().default(1),
  },
  (table) => [unique('loan_home_once').on(table.loanId, table.siteId)],
);

/** A camera of a loan in somebody's hands. */
export const handover = mysqlTable('handover', {
  id: uuid().primaryKey(),
  loanId: uuid('loan_id')
    .notNull()
    .references(() => loan.id),
  cameraId: uuid('camera_id')
    .notNull()
    .references(() => camera.id),
  who: varchar({ length: 120 }).notNull(),
  out: json().$type<HandoverValue['out']>().notNull(),
  back: json().$type<HandoverValue['back']>(),
  version: int().notNull().default(1),
});
