import { sql } from 'drizzle-orm';
import { boolean, check, double, index, int, json, mysqlEnum, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { BEHINDS, ROOM_KINDS, SURFACE_KINDS } from '@core/model/houseKinds';
import { SERVICE_KINDS } from '@core/model/serviceKinds';
import type { Opening } from '@core/model/surfaceRow';
import type { Feature } from '@core/method/simulate/scene';
import { WALLS } from '@core/method/weather/wallMemory';
import type { Facade } from '@core/method/weather/plan';
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

/** A room of a site, in the order of the round; its place on the plan of its storey in metres. */
export const room = mysqlTable('room', {
  id: uuid().primaryKey(),
  siteId: uuid('site_id')
    .notNull()
    .references(() => site.id),
  name: varchar({ length: 120 }).notNull(),
  kind: mysqlEnum(ROOM_KINDS).notNull().default('living'),
  storey: int().notNull().default(0),
  planX: int('plan_x').notNull().default(0),
  planY: int('plan_y').notNull().default(0),
  planWidth: int('plan_width').notNull().default(4),
  planDepth: int('plan_depth').notNull().default(4),
  heightM: double('height_m').notNull().default(2.4),
  /** null as rooms of its kind usually are. */
  heated: boolean(),
  ordinal: int().notNull(),
  version: int().notNull().default(1),
});

/** A wall, floor, ceiling, façade or roof. */
export const surface = mysqlTable(
  'surface',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => site.id),
    /** null outdoors. */
    roomId: uuid('room_id').references(() => room.id),
    name: varchar({ length: 120 }).notNull(),
    kind: mysqlEnum(SURFACE_KINDS).notNull(),
    azimuth: double(),
    mass: mysqlEnum(WALLS).notNull(),
    behind: mysqlEnum(BEHINDS).notNull(),
    widthM: double('width_m').notNull(),
    heightM: double('height_m').notNull(),
    openings: json().$type<Opening[]>().notNull(),
    /** Not a foreign key: the two sides of a place point at each other. */
    otherSideId: uuid('other_side_id'),
    ordinal: int().notNull(),
    /** Everything that the stand-in camera finds there, when somebody described it. Never shown. */
    described: json().$type<Feature[]>(),
    /** What chance has hidden there for the stand-in camera, drawn at the first look. Never shown. */
    hidden: json().$type<Feature[]>(),
    version: int().notNull().default(1),
  },
  (table) => [index('surface_of_site').on(table.siteId)],
);

/** What makes heat, moves air or water, or carries current, where it stands in its room. */
export const service = mysqlTable(
  'service',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => site.id),
    roomId: uuid('room_id')
      .notNull()
      .references(() => room.id),
    kind: mysqlEnum(SERVICE_KINDS).notNull(),
    name: varchar({ length: 120 }).notNull(),
    x: double().notNull(),
    y: double().notNull(),
    ordinal: int().notNull(),
    version: int().notNull().default(1),
  },
  (table) => [index('service_of_site').on(table.siteId)],
);
