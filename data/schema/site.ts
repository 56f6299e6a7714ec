import { sql } from 'drizzle-orm';
import { boolean, check, double, int, json, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { Facade } from '@core/weather/plan';
import { uuid } from '../columns/uuid';

/** An address that is surveyed. */
export const site = mysqlTable(
  'site',
  {
    id: uuid().primaryKey(),
    name: varchar({ length: 120 }).notNull(),
    address: varchar({ length: 240 }).notNull().default(''),
    /** IANA name; what people see is local time there. */
    timeZone: varchar('time_zone', { length: 64 }).notNull(),
    latitude: double(),
    longitude: double(),
    facades: json().$type<Facade[]>().notNull(),
    archived: boolean().notNull().default(false),
    version: int().notNull().default(1),
  },
  (table) => [
    check('site_latitude', sql`${table.latitude} is null or ${table.latitude} between -90 and 90`),
    check('site_longitude', sql`${table.longitude} is null or ${table.longitude} between -180 and 180`),
  ],
);

/** A room of a site, in the order of the round. */
export const room = mysqlTable('room', {
  id: uuid().primaryKey(),
  siteId: uuid('site_id')
    .notNull()
    .references(() => site.id),
  name: varchar({ length: 120 }).notNull(),
  ordinal: int().notNull(),
  version: int().notNull().default(1),
});
