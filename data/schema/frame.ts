import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  datetime,
  double,
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import type { Basis } from '@core/ground/basis';
import type { Shape } from '@core/method/frame/region';
import type { Measure } from '@core/method/frame/metric';
import { REGION_ROLES } from '@core/model/regionRow';
import { SIDES } from '@core/ground/side';
import type { Scene } from '@core/method/simulate/scene';
import { sha256 } from '../columns/sha256';
import { uuid } from '../columns/uuid';
import { blob } from './blob';
import { camera, instrument } from './camera';
import { room, surface } from './site';
import { visit } from './visit';

/** Frames of a visit that were recorded one after the other. */
export const sequence = mysqlTable('sequence', {
  id: uuid().primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .references(() => visit.id),
  name: varchar({ length: 160 }).notNull(),
  intervalS: double('interval_s'),
  version: int().notNull().default(1),
});

/** One radiometric picture of a visit. */
export const frame = mysqlTable(
  'frame',
  {
    id: uuid().primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visit.id),
    roomId: uuid('room_id').references(() => room.id),
    surfaceId: uuid('surface_id').references(() => surface.id),
    stopKey: varchar('stop_key', { length: 160 }),
    discarded: boolean().notNull().default(false),
    cameraId: uuid('camera_id').references(() => camera.id),
    name: varchar({ length: 160 }).notNull(),
    side: mysqlEnum(SIDES).notNull().default('inside'),
    takenAt: datetime('taken_at', { fsp: 3 }).notNull(),
    fileName: varchar('file_name', { length: 255 }).notNull(),
    fileSha: sha256('file_sha')
      .notNull()
      .references(() => blob.sha),
    /** Decoded little-endian float32, °C. */
    pixelsSha: sha256('pixels_sha')
      .notNull()
      .references(() => blob.sha),
    /** The same, made smaller for the film strip. */
    thumbSha: sha256('thumb_sha')
      .notNull()
      .references(() => blob.sha),
    thumbWidth: int('thumb_width').notNull(),
    thumbHeight: int('thumb_height').notNull(),
    width: int().notNull(),
    height: int().notNull(),
    format: varchar({ length: 16 }).notNull(),
    sourceUnit: varchar('source_unit', { length: 2 }).notNull(),
    basis: json().$type<Basis>().notNull(),
    measure: json().$type<Measure>(),
    sequenceId: uuid('sequence_id').references(() => sequence.id, { onDelete: 'set null' }),
    picked: boolean().notNull().default(true),
    /** Which page of its file it is. */
    page: int().notNull().default(0),
    /** What was added to what the file says, by the camera's checks. */
    offsetK: double('offset_k').notNull().default(0),
    /** And so much of the distance to room temperature. */
    slope: double().notNull().default(0),
    /** Estimated from the frame: standard deviation of one pixel's noise. */
    noiseK: double('noise_k').notNull(),
    minC: double('min_c').notNull(),
    maxC: double('max_c').notNull(),
    meanC: double('mean_c').notNull(),
    /** Ends of the frame's own, stretched scale; null until somebody set them. */
    ownLowC: double('own_low_c'),
    ownHighC: double('own_high_c'),
    /** The region on sound wall; not a foreign key, because regions hang on frames. */
    referenceId: uuid('reference_id'),
    version: int().notNull().default(1),
  },
  (table) => [
    unique('frame_page_once').on(table.visitId, table.fileSha, table.page),
    index('frame_of_name').on(table.visitId, table.fileName),
    index('frame_of_moment').on(table.visitId, table.takenAt),
    check('frame_size', sql`${table.width} >= 2 and ${table.height} >= 2`),
  ],
);

/** What was truly there when the stand-in camera took a frame; never shown, and gone with the frame. */
export const truth = mysqlTable('truth', {
  frameId: uuid('frame_id')
    .primaryKey()
    .references(() => frame.id, { onDelete: 'cascade' }),
  /** Of the simulator that made it. */
  simulator: int().notNull(),
  /** How far the camera had wandered, K. */
  drift: double().notNull(),
  scene: json().$type<Scene>().notNull(),
});

/** A named shape on a frame. */
export const region = mysqlTable(
  'region',
  {
    id: uuid().primaryKey(),
    frameId: uuid('frame_id')
      .notNull()
      .references(() => frame.id),
    name: varchar({ length: 80 }).notNull(),
    shape: json().$type<Shape>().notNull(),
    role: mysqlEnum(REGION_ROLES).notNull().default('reading'),
    ordinal: int().notNull(),
    version: int().notNull().default(1),
  },
  (table) => [index('region_of_frame').on(table.frameId)],
);

/** What a contact thermometer showed beside a frame. */
export const probe = mysqlTable('probe', {
  id: uuid().primaryKey(),
  frameId: uuid('frame_id')
    .notNull()
    .references(() => frame.id),
  name: varchar({ length: 80 }).notNull(),
  x: int().notNull(),
  y: int().notNull(),
  celsius: double().notNull(),
  uncertaintyK: double('uncertainty_k').notNull(),
  instrumentId: uuid('instrument_id').references(() => instrument.id),
  version: int().notNull().default(1),
});
