import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema } from '../ground/fields';

/** What happened at one emitter on a visit: one row for each emitter. */
export const warmingValueSchema = z.object({
  visitId: idSchema,
  serviceId: ref('service', 'stays'),
  /** First felt or seen warm. */
  warmAt: momentSchema.nullable(),
  bledAt: momentSchema.nullable(),
  /** The walk before whose readings both tails were taped; null while they are as they were. */
  tapedWalk: z.number().int().min(0).max(1000).nullable(),
  /** Asked for, but not possible: no tape, or no way to the tails. */
  withoutTape: z.boolean(),
});

export type WarmingValue = z.infer<typeof warmingValueSchema>;

export const warmingEntity = defineEntity({
  name: 'warming',
  label: 'warming of an emitter',
  schema: warmingValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: { warmAt: 'first warm', bledAt: 'bled', tapedWalk: 'tails taped', withoutTape: 'tails stay without tape' },
});
