import { boolean, double, int, json, mysqlEnum, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { CameraValue } from '@core/model/cameraRow';
import { INSTRUMENT_KINDS } from '@core/model/instrumentRow';
import { uuid } from '../columns/uuid';

/** A camera on the shelf: what it sees, and what its readings are worth (standard uncertainties, K). */
export const camera = mysqlTable('camera', {
  id: uuid().primaryKey(),
  name: varchar({ length: 120 }).notNull(),
  columns: int().notNull().default(320),
  rows: int().notNull().default(240),
  fieldDeg: double('field_deg').notNull().default(50),
  noiseK: double('noise_k').notNull().default(0.06),
  calibrationK: double('calibration_k').notNull().default(1),
  uniformityK: double('uniformity_k').notNull().default(0.1),
  repeatabilityK: double('repeatability_k').notNull().default(0.3),
  gain: double().notNull().default(0.01),
  blurPx: double('blur_px').notNull().default(0.7),
  alignments: json().$type<CameraValue['alignments']>().notNull().default([]),
  minDistanceM: double('min_distance_m').notNull().default(0.3),
  offsetK: double('offset_k').notNull().default(0),
  slope: double().notNull().default(0),
  clockAheadS: int('clock_ahead_s').notNull().default(0),
  parts: json().$type<CameraValue['parts']>().notNull().default([]),
  trained: json().$type<CameraValue['trained']>().notNull().default([]),
  checks: json().$type<CameraValue['checks']>().notNull().default([]),
  assumed: json().$type<CameraValue['assumed']>().notNull().default([]),
  archived: boolean().notNull().default(false),
  version: int().notNull().default(1),
});

/** A thermometer, hygrometer or meter with its own error. */
export const instrument = mysqlTable('instrument', {
  id: uuid().primaryKey(),
  name: varchar({ length: 120 }).notNull(),
  kind: mysqlEnum(INSTRUMENT_KINDS).notNull(),
  offset: double().notNull(),
  uncertainty: double().notNull(),
  settleS: int('settle_s').notNull(),
  archived: boolean().notNull().default(false),
  version: int().notNull().default(1),
});
