import { z } from 'zod';
import { shapeSchema } from '../frame/region';
import { settingsSchema } from '../radiometry/settings';
import { steadySpanSchema } from '../scale/scale';

/** What people edit, one schema a kind of row. Each row has an id and a version beside its value. */

export const idSchema = z.uuid();

/** A name that somebody typed: no blanks around, at least one character, nothing that cannot be seen. */
export function nameSchema(longest: number) {
  return z
    .string()
    .trim()
    .min(1, 'must not be empty')
    .max(longest, `must not be longer than ${longest} characters`)
    .refine((text) => !/\p{Cc}/u.test(text), 'must not hold control characters');
}

const temperature = z.number().min(-150, 'must be at least −150 °C').max(2000, 'must not exceed 2000 °C');

export const SIDES = ['inside', 'outside'] as const;
export type Side = (typeof SIDES)[number];

export const regionValueSchema = z.object({
  frameId: idSchema,
  name: nameSchema(80),
  shape: shapeSchema,
  ordinal: z.number().int().min(0).max(100_000),
});

export const frameValueSchema = z.object({
  name: nameSchema(160),
  roomId: idSchema.nullable(),
  side: z.enum(SIDES),
  /** The region on sound wall that others of this frame are compared with. */
  referenceId: idSchema.nullable(),
  /** Ends of the frame's own, stretched scale, °C. */
  ownScale: z.object({ low: temperature, high: temperature }).nullable(),
});

export const settingsValueSchema = settingsSchema.extend({
  level: z.enum(['visit', 'frame', 'region']),
  ownerId: idSchema,
});

export const visitValueSchema = z.object({
  title: nameSchema(160),
  question: z.string().trim().max(1000, 'must not be longer than 1000 characters'),
  span: steadySpanSchema,
  referenceInsideId: idSchema.nullable(),
  referenceOutsideId: idSchema.nullable(),
});

const air = z.number().min(-60, 'must be at least −60 °C').max(60, 'must not exceed 60 °C');
const hours = z.number().min(0, 'must be at least 0').max(10_000, 'must not exceed 10000 h');

export const conditionsValueSchema = z.object({
  visitId: idSchema,
  insideC: air.nullable(),
  outsideC: air.nullable(),
  humidityPct: z.number().min(0, 'must be at least 0 %').max(100, 'must not exceed 100 %').nullable(),
  windMs: z.number().min(0, 'must be at least 0').max(100, 'must not exceed 100 m/s').nullable(),
  sunHours: hours.nullable(),
  rainHours: hours.nullable(),
});

export const photoValueSchema = z.object({ frameId: idSchema.nullable(), name: nameSchema(160) });

export const findingValueSchema = z.object({
  visitId: idSchema,
  frameId: idSchema,
  /** This against that: difference is this minus that. */
  thisRegionId: idSchema,
  thatRegionId: idSchema,
  photoId: idSchema.nullable(),
  title: nameSchema(160),
  note: z.string().trim().max(4000, 'must not be longer than 4000 characters'),
});

export type RegionValue = z.infer<typeof regionValueSchema>;
export type FrameValue = z.infer<typeof frameValueSchema>;
export type SettingsValue = z.infer<typeof settingsValueSchema>;
export type VisitValue = z.infer<typeof visitValueSchema>;
export type ConditionsValue = z.infer<typeof conditionsValueSchema>;
export type PhotoValue = z.infer<typeof photoValueSchema>;
export type FindingValue = z.infer<typeof findingValueSchema>;

export interface Values {
  region: RegionValue;
  frame: FrameValue;
  settings: SettingsValue;
  visit: VisitValue;
  conditions: ConditionsValue;
  photo: PhotoValue;
  finding: FindingValue;
}

export type Entity = keyof Values;

export interface Row<E extends Entity> {
  id: string;
  version: number;
  value: Values[E];
}
