import { z } from 'zod';
import { defineEntity, OF_VISIT } from '../rows/entity';
import { idSchema, nameSchema, textSchema } from '../rows/fields';

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

export type FindingValue = z.infer<typeof findingValueSchema>;

export const findingEntity = defineEntity({
  name: 'finding',
  label: 'finding',
  schema: findingValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  points: {
    frameId: { kind: 'frame', whenGone: 'refuse' },
    thisRegionId: { kind: 'region', whenGone: 'refuse' },
    thatRegionId: { kind: 'region', whenGone: 'refuse' },
    photoId: { kind: 'photo', whenGone: 'clear' },
  },
  words: { title: 'title', note: 'note' },
});
