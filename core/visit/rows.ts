import { z } from 'zod';
import { alignmentSchema } from '../frame/alignment';
import { basisSchema } from '../frame/frame';
import { measureSchema } from '../frame/metric';
import { shapeSchema } from '../frame/region';
import type { MaterialValue } from '../radiometry/materials';
import { settingsSchema } from '../radiometry/settings';
import { steadySpanSchema } from '../scale/scale';
import {
  facadeSchema,
  latitudeSchema,
  longitudeSchema,
  STRICTNESSES,
  timeConstantsSchema,
  timeZoneSchema,
} from '../weather/plan';
import { airSchema, humiditySchema, idSchema, momentSchema, nameSchema, temperatureSchema, textSchema } from './fields';
import { VISIT_KINDS } from './kinds';
import type { CameraValue, HandoverValue, InstrumentValue } from '../camera/rows';
import type { RoomValue, SurfaceValue } from '../house/rows';
import type { KitListValue, KitValue, LogValue, PutBackValue, StopValue } from '../round/rows';

/** What people edit, one schema a kind of row. Each row has an id and a version beside its value. */

export const SIDES = ['inside', 'outside'] as const;
export type Side = (typeof SIDES)[number];

/** What a region is there for: to be read, to give a length, or to keep its pixels out of everything. */
export const REGION_ROLES = ['reading', 'length', 'leftOut'] as const;

export const regionValueSchema = z.object({
  frameId: idSchema,
  name: nameSchema(80),
  shape: shapeSchema,
  role: z.enum(REGION_ROLES),
  ordinal: z.number().int().min(0).max(100_000),
});

export const frameValueSchema = z.object({
  name: nameSchema(160),
  roomId: idSchema.nullable(),
  side: z.enum(SIDES),
  surfaceId: idSchema.nullable(),
  /** The stop of the round that it was taken at. */
  stopKey: nameSchema(160).nullable(),
  /** Taken back: kept with its file, shown and counted nowhere. */
  discarded: z.boolean(),
  /** The region on sound wall that others of this frame are compared with. */
  referenceId: idSchema.nullable(),
  /** Ends of the frame's own, stretched scale, °C. */
  ownScale: z.object({ low: temperatureSchema, high: temperatureSchema }).nullable(),
  /** What its values are: as the camera saw, or computed by it with settings that are undone first. */
  basis: basisSchema,
  /** What is known of sizes on it. */
  measure: measureSchema.nullable(),
  /** The recording that it is a moment of. */
  sequenceId: idSchema.nullable(),
  /** Shown by itself, not only within its sequence. */
  picked: z.boolean(),
});

/** Frames that were recorded one after the other. */
export const sequenceValueSchema = z.object({
  visitId: idSchema,
  name: nameSchema(160),
  /** From one frame to the next, s; null when nobody knows. */
  intervalS: z.number().gt(0, 'must be above 0 s').max(86_400, 'must not exceed a day').nullable(),
});

/** What a contact thermometer showed beside a frame. */
export const probeValueSchema = z.object({
  frameId: idSchema,
  name: nameSchema(80),
  x: z.number().int().min(0).max(100_000),
  y: z.number().int().min(0).max(100_000),
  /** As it was read; its instrument's offset comes on top. */
  celsius: temperatureSchema,
  /** Standard uncertainty, K. */
  uncertaintyK: z.number().min(0, 'must be at least 0 K').max(50, 'must not exceed 50 K'),
  instrumentId: idSchema.nullable(),
});

export const settingsValueSchema = settingsSchema.extend({
  level: z.enum(['visit', 'surface', 'frame', 'region']),
  ownerId: idSchema,
});

export const siteValueSchema = z.object({
  name: nameSchema(120),
  address: textSchema(240),
  timeZone: timeZoneSchema,
  latitude: latitudeSchema.nullable(),
  longitude: longitudeSchema.nullable(),
  facades: z.array(facadeSchema).max(12, 'must not be more than 12'),
  archived: z.boolean(),
});

export const visitValueSchema = z.object({
  archived: z.boolean(),
  title: nameSchema(160),
  /** ms since 1970. */
  startedAt: momentSchema,
  question: textSchema(1000),
  span: steadySpanSchema,
  /** The camera that is taken along; null while nobody chose one. */
  cameraId: idSchema.nullable(),
  referenceInsideId: idSchema.nullable(),
  referenceOutsideId: idSchema.nullable(),
});

/** Why somebody called. */
export const intakeValueSchema = z.object({
  visitId: idSchema,
  kind: z.enum(VISIT_KINDS),
  complaints: z.array(z.object({ place: nameSchema(120), what: nameSchema(240) })).max(40, 'must not be more than 40'),
  /** What was removed, boarded, added, insulated, and when. */
  history: z.array(z.object({ what: nameSchema(240), when: textSchema(60) })).max(40, 'must not be more than 40'),
  people: textSchema(500),
  access: textSchema(500),
});

const indoor = z.number().min(-10, 'must be at least −10 °C').max(40, 'must not exceed 40 °C');
/** A day of the local calendar. */
const daySchema = z.iso.date();

/** When to go, and what the householder is told. */
export const planValueSchema = z.object({
  visitId: idSchema,
  insideC: indoor,
  strictness: z.enum(STRICTNESSES),
  timeConstantsH: timeConstantsSchema,
  /** A file's weather; null takes the forecast. */
  weatherId: idSchema.nullable(),
  /** First day that is looked at in a file that holds more than a week. */
  firstDay: daySchema.nullable(),
  /** The slot that was settled on; ms since 1970. */
  slot: z.object({ from: momentSchema, to: momentSchema }).nullable(),
  /** The letter as somebody changed it; null follows the plan. */
  letter: textSchema(8000).nullable(),
});

const clockTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'must be a time such as 18:30');

export const loanValueSchema = z
  .object({
    name: nameSchema(160),
    timeZone: timeZoneSchema,
    latitude: latitudeSchema,
    longitude: longitudeSchema,
    from: momentSchema,
    to: momentSchema,
    insideC: indoor,
    strictness: z.enum(STRICTNESSES),
    weatherId: idSchema.nullable(),
    archived: z.boolean(),
  })
  .refine(({ from, to }) => to > from, { path: ['to'], message: 'must be after its begin' })
  .refine(({ from, to }) => to - from <= 7.5 * 24 * 3_600_000, {
    path: ['to'],
    message: 'must be within seven days of its begin',
  });

export const loanHomeValueSchema = z.object({
  loanId: idSchema,
  siteId: idSchema,
  ordinal: z.number().int().min(0).max(1000),
  minutes: z.number().int().min(15, 'must be at least 15 min').max(600, 'must not exceed 600 min'),
  travelMinutes: z.number().int().min(0, 'must be at least 0 min').max(240, 'must not exceed 240 min'),
  /** When somebody is in, by the clock at the home. */
  presences: z
    .array(
      z
        .object({ day: daySchema, from: clockTime, to: clockTime })
        .refine(({ from, to }) => to > from, { path: ['to'], message: 'must be after its begin' }),
    )
    .max(14, 'must not be more than 14'),
  /** Azimuths of the façades that matter; null means all of the site. */
  facades: z.array(z.number()).max(12).nullable(),
});

const hours = z.number().min(0, 'must be at least 0').max(10_000, 'must not exceed 10000 h');

export const conditionsValueSchema = z.object({
  visitId: idSchema,
  insideC: airSchema.nullable(),
  outsideC: airSchema.nullable(),
  humidityPct: humiditySchema.nullable(),
  windMs: z.number().min(0, 'must be at least 0').max(100, 'must not exceed 100 m/s').nullable(),
  sunHours: hours.nullable(),
  rainHours: hours.nullable(),
});

/** Values that were read on a picture without data, and typed: never more than words of a person. */
const typedSchema = z.object({
  /** At shares of the picture's width and height. */
  spots: z
    .array(
      z.object({
        x: z.number().min(0).max(1),
        y: z.number().min(0).max(1),
        celsius: temperatureSchema,
        words: textSchema(80),
      }),
    )
    .max(20, 'must not be more than 20'),
  lowC: temperatureSchema.nullable(),
  highC: temperatureSchema.nullable(),
});

export const NOTHING_TYPED: z.infer<typeof typedSchema> = { spots: [], lowC: null, highC: null };

/** What a photo shows: the whole view, a close-up, or a rating plate. */
export const PHOTO_ROLES = ['view', 'close-up', 'plate'] as const;
export type PhotoRole = (typeof PHOTO_ROLES)[number];

export const photoValueSchema = z.object({
  frameId: idSchema.nullable(),
  name: nameSchema(160),
  role: z.enum(PHOTO_ROLES),
  stopKey: nameSchema(160).nullable(),
  discarded: z.boolean(),
  /** A coloured picture of temperatures without the temperatures: evidence, never measured on. */
  evidence: z.boolean(),
  /** What somebody read on it and typed. */
  typed: typedSchema,
  /** Its own place over its frame; null takes the camera's. */
  alignment: alignmentSchema.nullable(),
  /** Turned to the right by so many quarters, then mirrored. */
  quarters: z.number().int().min(0).max(3),
  mirrored: z.boolean(),
});

export const findingValueSchema = z.object({
  visitId: idSchema,
  frameId: idSchema,
  /** This against that: difference is this minus that. */
  thisRegionId: idSchema,
  thatRegionId: idSchema,
  photoId: idSchema.nullable(),
  title: nameSchema(160),
  note: textSchema(4000),
});

export type RegionValue = z.infer<typeof regionValueSchema>;
export type FrameValue = z.infer<typeof frameValueSchema>;
export type SettingsValue = z.infer<typeof settingsValueSchema>;
export type VisitValue = z.infer<typeof visitValueSchema>;
export type ConditionsValue = z.infer<typeof conditionsValueSchema>;
export type SiteValue = z.infer<typeof siteValueSchema>;
export type IntakeValue = z.infer<typeof intakeValueSchema>;
export type PlanValue = z.infer<typeof planValueSchema>;
export type LoanValue = z.infer<typeof loanValueSchema>;
export type LoanHomeValue = z.infer<typeof loanHomeValueSchema>;
export type SequenceValue = z.infer<typeof sequenceValueSchema>;
export type ProbeValue = z.infer<typeof probeValueSchema>;
export type PhotoValue = z.infer<typeof photoValueSchema>;
export type FindingValue = z.infer<typeof findingValueSchema>;

export interface Values {
  room: RoomValue;
  surface: SurfaceValue;
  stop: StopValue;
  putBack: PutBackValue;
  log: LogValue;
  kit: KitValue;
  kitList: KitListValue;
  camera: CameraValue;
  instrument: InstrumentValue;
  handover: HandoverValue;
  site: SiteValue;
  intake: IntakeValue;
  plan: PlanValue;
  loan: LoanValue;
  loanHome: LoanHomeValue;
  region: RegionValue;
  frame: FrameValue;
  settings: SettingsValue;
  visit: VisitValue;
  conditions: ConditionsValue;
  photo: PhotoValue;
  sequence: SequenceValue;
  probe: ProbeValue;
  material: MaterialValue;
  finding: FindingValue;
}

export type Entity = keyof Values;
/** Kinds of rows that belong to a visit; a loan goes over many. */
export type VisitEntity = Exclude<Entity, 'loan' | 'loanHome' | 'handover'>;

export interface Row<E extends Entity> {
  id: string;
  version: number;
  value: Values[E];
}
