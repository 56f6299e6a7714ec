import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { daySchema, idSchema, indoorSchema, momentSchema, textSchema } from '../ground/fields';
import { SEASON_CHOICES, STRICTNESSES, timeConstantsSchema } from '../method/weather/plan';
import { nightSchema } from '../method/weather/typedNights';

/** When to go, and what the householder is told. */
export const planValueSchema = z.object({
  visitId: idSchema,
  /** Expected inside; null while nobody said. */
  insideC: indoorSchema.nullable(),
  strictness: z.enum(STRICTNESSES),
  season: z.enum(SEASON_CHOICES),
  timeConstantsH: timeConstantsSchema,
  /** A file's weather; null where there is none: then nights that were typed, and in practice the made-up forecast. */
  weatherId: idSchema.nullable(),
  nights: z.array(nightSchema).max(31, 'must not be more than 31').default([]),
  /** First day that is looked at in a file that holds more than a week. */
  firstDay: daySchema.nullable(),
  /** The slot that was settled on; ms since 1970. */
  slot: z.object({ from: momentSchema, to: momentSchema }).nullable(),
  /** The letter as somebody changed it; null follows the plan. */
  letter: textSchema(8000).nullable(),
});

export type PlanValue = z.infer<typeof planValueSchema>;

export const planEntity = defineEntity({
  name: 'plan',
  label: 'plan of the hours',
  schema: planValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    insideC: 'inside',
    strictness: 'how strict',
    season: 'heated or cooled',
    timeConstantsH: 'memory of walls',
    firstDay: 'first day',
    nights: 'nights that were typed',
    slot: 'hours that were settled on',
    letter: 'letter',
  },
  addable: false,
  removable: false,
});
