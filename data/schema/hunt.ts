import { double, json, int, mysqlEnum, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core';
import type { HuntValue } from '@core/model/huntRow';
import { COVERING_NAMES } from '@core/method/water/willShow';
import { moment } from '../columns/moment';
import { uuid } from '../columns/uuid';
import { visit } from './visit';

/** The hunt for a leak. */
export const hunt = mysqlTable('hunt', {
  id: uuid().primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .references(() => visit.id),
  side: mysqlEnum(['hot', 'cold']),
  coverMm: double('cover_mm'),
  covering: mysqlEnum(COVERING_NAMES),
  waterC: double('water_c'),
  onAt: moment('on_at'),
  series: varchar({ length: 200 }),
  steps: json().$type<HuntValue['steps']>().notNull(),
  litresMin: double('litres_min'),
  pricePerM3: double('price_per_m3'),
  pricePerKwh: double('price_per_kwh'),
  timers: json().$type<HuntValue['timers']>().notNull().default({}),
  meter: json().$type<HuntValue['meter']>().notNull().default([]),
  mark: json().$type<HuntValue['mark']>(),
  found: json().$type<HuntValue['found']>(),
  note: text().notNull(),
  version: int().notNull().default(1),
});
