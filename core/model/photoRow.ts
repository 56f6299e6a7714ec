import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { nameSchema, temperatureSchema, textSchema } from '../ground/fields';
import { alignmentSchema } from '../method/frame/alignment';

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
  frameId: ref('frame', 'forget').nullable(),
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

export type PhotoValue = z.infer<typeof photoValueSchema>;

export const photoEntity = defineEntity({
  name: 'photo',
  label: 'photo',
  schema: photoValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    name: 'name',
    role: 'what it shows',
    discarded: 'taken back',
    evidence: 'picture without data',
    typed: 'typed values',
    alignment: 'place over its frame',
    quarters: 'turned by quarters',
    mirrored: 'mirrored',
  },
  addable: false,
});
