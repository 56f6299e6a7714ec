import { double, int, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { uuid } from '../columns/uuid';

/** A camera on the shelf, with what its readings are worth (standard uncertainties, K). */
export const camera = mysqlTable('camera', {
  id: uuid().primaryKey(),
  name: varchar({ length: 120 }).notNull(),
  calibrationK: double('calibration_k').notNull().default(1),
  uniformityK: double('uniformity_k').notNull().default(0.1),
  version: int().notNull().default(1),
});
