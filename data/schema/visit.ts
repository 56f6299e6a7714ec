import { sql } from 'drizzle-orm';
import { boolean, check, double, int, json, mysqlEnum, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core';
import type { SteadySpan } from '@core/method/scale/scale';
import { VISIT_KINDS } from '@core/model/visitKinds';
import type { IntakeValue } from '@core/model/intakeRow';
import { UPGRADED } from '@core/model/visitRow';
import { SEASON_CHOICES, STRICTNESSES } from '@core/method/weather/plan';
import type { Night } from '@core/method/weather/typedNights';
import type { TimeConstants } from '@core/method/weather/wallMemory';
import { moment } from '../columns/moment';
import { uuid } from '../columns/uuid';
import { camera } from './camera';
import { site } from './site';
import { weather } from './weather';

/** One survey of a site, with the steady scale that all its pictures share. */
export const visit = mysqlTable(
  'visit',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => site.id),
    title: varchar({ length: 160 }).notNull(),
    question: varchar({ length: 1000 }).notNull().default(''),
    answer: varchar({ length: 2000 }).notNull().default(''),
    /** A day of the local calendar. */
    nextDay: varchar('next_day', { length: 10 }),
    archived: boolean().notNull().default(false),
    practice: boolean().notNull().default(false),
    upgraded: mysqlEnum(UPGRADED),
    cameraId: uuid('camera_id').references(() => camera.id),
    startedAt: moment('started_at').notNull(),
    belowK: double('below_k').notNull().default(6),
    aboveK: double('above_k').notNull().default(6),
    colourMap: varchar('colour_map', { length: 16 }).notNull().default('hearth'),
    /** Ends of a steady scale that does not follow the reference. */
    fixed: json().$type<SteadySpan['fixed']>(),
    shade: json().$type<SteadySpan['shade']>(),
    /** Regions on sound wall that stand for the visit; not foreign keys, because regions hang on frames on visits. */
    referenceInsideId: uuid('reference_inside_id'),
    referenceOutsideId: uuid('reference_outside_id'),
    /** Below this temperature factor a surface grows mould in the long run. */
    mouldFactor: double('mould_factor'),
    version: int().notNull().default(1),
  },
  (table) => [check('visit_span', sql`${table.belowK} > 0 and ${table.aboveK} > 0`)],
);

/** What the weather and the house were like while the frames were taken. */
export const conditions = mysqlTable(
  'conditions',
  {
    id: uuid().primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .unique()
      .references(() => visit.id),
    insideC: double('inside_c'),
    outsideC: double('outside_c'),
    /** Of the air inside. */
    humidityPct: double('humidity_pct'),
    windMs: double('wind_ms'),
    /** Degrees from north. */
    windFromDeg: double('wind_from_deg'),
    cloudPct: double('cloud_pct'),
    /** Hours since sun was on a wall that was looked at, and since rain. */
    sunHours: double('sun_h'),
    rainHours: double('rain_h'),
    /** Hours for which the heating, and the air outside, have been as they are. */
    heatingHours: double('heating_h'),
    airHours: double('air_h'),
    version: int().notNull().default(1),
  },
  (table) => [
    check('conditions_inside', sql`${table.insideC} is null or ${table.insideC} > -273.15`),
    check('conditions_outside', sql`${table.outsideC} is null or ${table.outsideC} > -273.15`),
    check('conditions_humidity', sql`${table.humidityPct} is null or ${table.humidityPct} between 0 and 100`),
  ],
);

/** Why somebody called. */
export const intake = mysqlTable('intake', {
  id: uuid().primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .unique()
    .references(() => visit.id),
  kind: mysqlEnum(VISIT_KINDS).notNull(),
  complaints: json().$type<IntakeValue['complaints']>().notNull(),
  history: json().$type<IntakeValue['history']>().notNull(),
  ownHome: boolean('own_home').notNull().default(false),
  people: varchar({ length: 500 }).notNull().default(''),
  access: varchar({ length: 500 }).notNull().default(''),
  version: int().notNull().default(1),
});

/** When to go, and what the householder is told. */
export const plan = mysqlTable('plan', {
  id: uuid().primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .unique()
    .references(() => visit.id),
  insideC: double('inside_c'),
  strictness: mysqlEnum(STRICTNESSES).notNull(),
  season: mysqlEnum(SEASON_CHOICES).notNull().default('weather'),
  timeConstantsH: json('time_constants_h').$type<TimeConstants>().notNull(),
  nights: json().$type<Night[]>().notNull().default([]),
  weatherId: uuid('weather_id').references(() => weather.id),
  /** A day of the local calendar. */
  firstDay: varchar('first_day', { length: 10 }),
  slotFrom: moment('slot_from'),
  slotTo: moment('slot_to'),
  letter: text(),
  version: int().notNull().default(1),
});
