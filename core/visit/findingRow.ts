import { z } from 'zod';
import { PAIR_BY } from '../frame/reading';
import { defineEntity, OF_VISIT } from '../rows/entity';
import { idSchema, nameSchema, textSchema } from '../rows/fields';

export const findingValueSchema = z.object({
  visitId: idSchema,
  frameId: idSchema,
  /** This against that: difference is this minus that. */
  thisRegionId: idSchema,
  thatRegionId: idSchema,
  /** What stands for this: its mean, or the coldest or warmest part of it. */
  by: z.enum(PAIR_BY).default('mean'),
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
  words: { title: 'title', note: 'note', by: 'stated by' },
});
