import { sql } from 'drizzle-orm';
import { check, double, int, json, mysqlEnum, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { Settings } from '@core/method/radiometry/settings';
import { uuid } from '../columns/uuid';
import { frame, region } from './frame';
import { surface } from './site';
import { visit } from './visit';

/** Settings at one level: exactly one owner. A null field is taken from the level above. */
export const settings = mysqlTable(
  'settings',
  {
    id: uuid().primaryKey(),
    visitId: uuid('visit_id')
      .unique()
      .references(() => visit.id),
    surfaceId: uuid('surface_id')
      .unique()
      .references(() => surface.id, { onDelete: 'cascade' }),
    frameId: uuid('frame_id')
      .unique()
      .references(() => frame.id),
    regionId: uuid('region_id')
      .unique()
      .references(() => region.id, { onDelete: 'cascade' }),
    emissivity: double(),
    reflectedC: double('reflected_c'),
    airC: double('air_c'),
    humidityPct: double('humidity_pct'),
    distanceM: double('distance_m'),
    transmittance: double(),
    emissivityU: double('emissivity_u'),
    emissivityFrom: varchar('emissivity_from', { length: 160 }),
    emissivityShares: json('emissivity_shares').$type<Settings['emissivityShares']>(),
    material: varchar({ length: 160 }),
    reflectedU: double('reflected_u'),
    reflectedFrom: varchar('reflected_from', { length: 160 }),
    reflectedShares: json('reflected_shares').$type<Settings['reflectedShares']>(),
    palm: mysqlEnum(['emits', 'mirror']),
    version: int().notNull().default(1),
  },
  (table) => [
    check(
      'settings_one_owner',
      sql`(${table.visitId} is not null) + (${table.surfaceId} is not null) + (${table.frameId} is not null) + (${table.regionId} is not null) = 1`,
    ),
    check('settings_emissivity', sql`${table.emissivity} is null or (${table.emissivity} > 0 and ${table.emissivity} <= 1)`),
    check(
      'settings_transmittance',
      sql`${table.transmittance} is null or (${table.transmittance} > 0 and ${table.transmittance} <= 1)`,
    ),
  ],
);
