import { datetime, int, json, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { WeatherHour, WeatherWarning } from '@core/method/weather/weather';
import { sha256 } from '../columns/sha256';
import { uuid } from '../columns/uuid';
import { blob } from './blob';

/** Hourly weather that somebody brought as a file. The forecast is not stored: it is asked for anew. */
export const weather = mysqlTable('weather', {
  id: uuid().primaryKey(),
  fileName: varchar('file_name', { length: 255 }).notNull(),
  format: varchar({ length: 8 }).notNull(),
  /** The same file is read and stored once. */
  fileSha: sha256('file_sha')
    .notNull()
    .unique()
    .references(() => blob.sha),
  startsAt: datetime('starts_at', { fsp: 3 }).notNull(),
  count: int().notNull(),
  hours: json().$type<WeatherHour[]>().notNull(),
  warnings: json().$type<WeatherWarning[]>().notNull(),
});
