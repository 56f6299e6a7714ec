import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema } from '../ground/fields';
import { SCHOOLS } from '../method/heating/school';

const barSchema = z.number().min(0, 'must not be negative').max(10, 'must not exceed 10 bar');

/** What is checked at the source when the heat comes on. */
export const START_CHECKS = ['heads-open', 'pump-heard', 'pump-felt', 'flow-rises', 'bled'] as const;
export type StartCheck = (typeof START_CHECKS)[number];

/** The heating of a visit as a whole: one row for each visit. */
export const heatingValueSchema = z
  .object({
    visitId: idSchema,
    /** null while nobody chose one: the target is the usual one then. */
    school: z.enum(SCHOOLS).nullable(),
    targetK: z.number().min(2, 'must be at least 2 K').max(40, 'must not exceed 40 K'),
    toleranceK: z.number().min(0.3, 'must be at least 0.3 K').max(20, 'must not exceed 20 K'),
    /** What the source is set to, °C; null while nobody said. */
    flowSetC: z.number().min(20, 'must be at least 20 °C').max(95, 'must not exceed 95 °C').nullable(),
    /** When the heat came on. */
    onAt: momentSchema.nullable(),
    checks: z.partialRecord(z.enum(START_CHECKS), momentSchema),
    /** Flow at the source as it was read, oldest first. */
    flows: z.array(z.object({ at: momentSchema, celsius: z.number().min(-20).max(130) })).max(200),
    /** Pressure cold: what the maker marks, before and after bleeding. */
    markBar: barSchema.nullable(),
    beforeBar: barSchema.nullable(),
    afterBar: barSchema.nullable(),
    /** When somebody listens for air again. */
    listenAt: momentSchema.nullable(),
    /** The walk that goes on; 0 before the first. */
    walk: z.number().int().min(0).max(1000),
    /** Readings count again from here on. */
    waitUntil: momentSchema.nullable(),
    /** Practice only: so much time was let pass, s. */
    skippedS: z.number().int().min(0).max(10_000_000),
  })
  .refine(({ targetK, toleranceK }) => toleranceK < targetK, { message: 'must be below the target', path: ['toleranceK'] });

export type HeatingValue = z.infer<typeof heatingValueSchema>;

export const heatingEntity = defineEntity({
  name: 'heating',
  label: 'heating',
  schema: heatingValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    school: 'school',
    targetK: 'target',
    toleranceK: 'tolerance',
    flowSetC: 'flow temperature',
    onAt: 'heat on',
    checks: 'checks',
    flows: 'flow at the source',
    beforeBar: 'pressure before',
    afterBar: 'pressure after',
    listenAt: 'listen again',
    walk: 'walk',
  },
});
