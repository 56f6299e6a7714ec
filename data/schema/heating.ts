import { boolean, double, index, int, json, mysqlEnum, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core';
import { EMITTER_BUILDS } from '@core/method/heating/build';
import { FUELS } from '@core/method/heating/combustion';
import { PIPE_MATERIALS } from '@core/method/heating/pipes';
import type { BoilerCardValue } from '@core/model/boilerCardRow';
import type { FaceValue } from '@core/model/faceRow';
import type { FlushValue } from '@core/model/flushRow';
import type { HeatingValue } from '@core/model/heatingRow';
import { PIPE_QUESTIONS, type PipeValue } from '@core/model/pipeRow';
import { SCHOOLS } from '@core/method/heating/school';
import { FACE_STAGES } from '@core/method/heating/stages';
import { TAILS } from '@core/method/heating/balance/state';
import { ORIENTATIONS } from '@core/method/heating/valve/closedValve';
import type { PracticeHouse } from '@core/method/simulate/heating/practice';
import { moment } from '../columns/moment';
import { uuid } from '../columns/uuid';
import { frame, region } from './frame';
import { service, site } from './site';
import { visit } from './visit';

const ofVisit = () =>
  uuid('visit_id')
    .notNull()
    .references(() => visit.id);
const ofFrame = () =>
  uuid('frame_id')
    .notNull()
    .references(() => frame.id);
const version = () => int().notNull().default(1);

/** What is known of an emitter for good. */
export const emitter = mysqlTable('emitter', {
  id: uuid().primaryKey(),
  serviceId: uuid('service_id')
    .notNull()
    .references(() => service.id),
  order: int('place'),
  build: mysqlEnum(EMITTER_BUILDS),
  widthM: double('width_m'),
  heightM: double('height_m'),
  ratedW: double('rated_w'),
  exponent: double(),
  turns: double(),
  turnsOpen: double('turns_open'),
  sticks: boolean().notNull(),
  headOpen: boolean('head_open').notNull(),
  tail: mysqlEnum(TAILS).notNull().default('unknown'),
  needW: double('need_w'),
  version: version(),
});

/** The heating of a visit as a whole. */
export const heating = mysqlTable('heating', {
  id: uuid().primaryKey(),
  visitId: ofVisit(),
  school: mysqlEnum(SCHOOLS),
  targetK: double('target_k').notNull(),
  toleranceK: double('tolerance_k').notNull(),
  flowSetC: double('flow_set_c'),
  onAt: moment('on_at'),
  checks: json().$type<HeatingValue['checks']>().notNull(),
  flows: json().$type<HeatingValue['flows']>().notNull(),
  markBar: double('mark_bar'),
  beforeBar: double('before_bar'),
  afterBar: double('after_bar'),
  listenAt: moment('listen_at'),
  walk: int().notNull(),
  waitUntil: moment('wait_until'),
  skippedS: int('skipped_s').notNull(),
  version: version(),
});

/** When emitters became warm and were bled. */
export const warming = mysqlTable(
  'warming',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    serviceId: uuid('service_id').notNull(),
    warmAt: moment('warm_at'),
    bledAt: moment('bled_at'),
    tapedWalk: int('taped_walk'),
    withoutTape: boolean('without_tape').notNull().default(false),
    version: version(),
  },
  (table) => [index('warming_of_visit').on(table.visitId)],
);

export const valveTurn = mysqlTable(
  'valve_turn',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    serviceId: uuid('service_id').notNull(),
    walk: int().notNull(),
    at: moment().notNull(),
    from: double('from_turns'),
    to: double('to_turns').notNull(),
    version: version(),
  },
  (table) => [index('valve_turn_of_visit').on(table.visitId)],
);

export const tailReading = mysqlTable(
  'tail_reading',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    serviceId: uuid('service_id').notNull(),
    walk: int().notNull(),
    at: moment().notNull(),
    flowC: double('flow_c'),
    returnC: double('return_c'),
    frameId: uuid('frame_id'),
    flowRegionId: uuid('flow_region_id').references(() => region.id),
    returnRegionId: uuid('return_region_id').references(() => region.id),
    roomC: double('room_c'),
    version: version(),
  },
  (table) => [index('tail_reading_of_visit').on(table.visitId)],
);

export const face = mysqlTable(
  'face',
  {
    id: uuid().primaryKey(),
    frameId: ofFrame(),
    serviceId: uuid('service_id').notNull(),
    stage: mysqlEnum(FACE_STAGES).notNull(),
    box: json().$type<FaceValue['box']>().notNull(),
    version: version(),
  },
  (table) => [index('face_of_frame').on(table.frameId)],
);

export const floorTrace = mysqlTable(
  'floor_trace',
  {
    id: uuid().primaryKey(),
    frameId: ofFrame(),
    name: varchar({ length: 120 }).notNull(),
    box: json().$type<FaceValue['box']>().notNull(),
    widthM: double('width_m'),
    note: varchar({ length: 400 }).notNull(),
    version: version(),
  },
  (table) => [index('floor_trace_of_frame').on(table.frameId)],
);

export const pipe = mysqlTable(
  'pipe',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    name: varchar({ length: 120 }).notNull(),
    question: mysqlEnum(PIPE_QUESTIONS).notNull(),
    material: mysqlEnum(PIPE_MATERIALS),
    outerMm: double('outer_mm'),
    wallMm: double('wall_mm'),
    laggingMm: double('lagging_mm'),
    airC: double('air_c'),
    orientation: mysqlEnum(ORIENTATIONS),
    closedAt: moment('closed_at'),
    hotC: double('hot_c'),
    points: json().$type<PipeValue['points']>().notNull(),
    zones: json().$type<PipeValue['zones']>().notNull(),
    extent: double(),
    waterC: double('water_c'),
    surfaceC: double('surface_c'),
    hoursYear: double('hours_year'),
    pricePerKwh: double('price_per_kwh'),
    version: version(),
  },
  (table) => [index('pipe_of_visit').on(table.visitId)],
);

export const flush = mysqlTable('flush', {
  id: uuid().primaryKey(),
  visitId: ofVisit(),
  steps: json().$type<FlushValue['steps']>().notNull(),
  marks: json().$type<FlushValue['marks']>().notNull(),
  mainsPpm: double('mains_ppm'),
  water: json().$type<FlushValue['water']>().notNull(),
  cleaner: varchar({ length: 160 }).notNull(),
  inhibitor: varchar({ length: 160 }).notNull(),
  by: varchar({ length: 120 }).notNull(),
  note: text().notNull(),
  version: version(),
});

export const boilerCard = mysqlTable(
  'boiler_card',
  {
    id: uuid().primaryKey(),
    visitId: ofVisit(),
    boiler: varchar({ length: 120 }).notNull(),
    fuel: mysqlEnum(FUELS),
    by: varchar({ length: 120 }).notNull(),
    licence: varchar({ length: 80 }).notNull(),
    testedAt: moment('tested_at').notNull(),
    states: json().$type<BoilerCardValue['states']>().notNull(),
    rates: json().$type<BoilerCardValue['rates']>().notNull(),
    parts: json().$type<BoilerCardValue['parts']>().notNull(),
    version: version(),
  },
  (table) => [index('boiler_card_of_visit').on(table.visitId)],
);

/** The heating system of a house as it really is, where it is there to practise on; it never leaves the server. */
export const practice = mysqlTable('practice', {
  siteId: uuid('site_id')
    .primaryKey()
    .references(() => site.id),
  house: json().$type<PracticeHouse>().notNull(),
});
