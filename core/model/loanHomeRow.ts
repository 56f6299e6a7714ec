import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_LOAN } from './entity';
import { daySchema, idSchema } from '../ground/fields';

const clockTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'must be a time such as 18:30');

export const loanHomeValueSchema = z.object({
  loanId: idSchema,
  siteId: ref('site', 'refuse'),
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

export type LoanHomeValue = z.infer<typeof loanHomeValueSchema>;

export const loanHomeEntity = defineEntity({
  name: 'loanHome',
  label: 'home of a loan',
  schema: loanHomeValueSchema,
  scope: 'loan',
  parent: OF_LOAN,
  fixed: ['siteId'],
  words: { minutes: 'minutes there', travelMinutes: 'minutes of travel', presences: 'when somebody is in', facades: 'façades' },
});
