import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema, textSchema } from '../ground/fields';
import { FLUSH_STEPS } from '../method/heating/flushSteps';

/** The log of a flush: one row for each visit. */
export const flushValueSchema = z.object({
  visitId: idSchema,
  steps: z.partialRecord(z.enum(FLUSH_STEPS), momentSchema),
  /** What was done at each emitter. */
  marks: z
    .array(
      z.object({
        serviceId: ref('service', 'stays'),
        agitatedMin: z.number().min(0, 'must not be negative').max(600, 'must not exceed 600 minutes').nullable(),
        alone: z.boolean(),
        bothWays: z.boolean(),
      }),
    )
    .max(200),
  /** Dissolved solids, ppm, of the mains and of what leaves the system, oldest first. */
  mainsPpm: z.number().min(0, 'must not be negative').max(20_000, 'must not exceed 20 000 ppm').nullable(),
  water: z.array(z.object({ at: momentSchema, ppm: z.number().min(0).max(20_000) })).max(200),
  cleaner: textSchema(160),
  inhibitor: textSchema(160),
  /** Who answers for the work. */
  by: textSchema(120),
  note: textSchema(2000),
});

export type FlushValue = z.infer<typeof flushValueSchema>;

export const flushEntity = defineEntity({
  name: 'flush',
  label: 'flush log',
  schema: flushValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    steps: 'steps',
    marks: 'marks',
    mainsPpm: 'mains',
    water: 'water',
    cleaner: 'cleaner',
    inhibitor: 'inhibitor',
    by: 'by',
    note: 'note',
  },
});
