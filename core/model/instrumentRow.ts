import * as z from 'zod';
import { defineEntity } from './entity';
import { kelvinSchema, nameSchema } from '../ground/fields';

export const INSTRUMENT_KINDS = ['contact', 'air', 'hygrometer', 'moisture'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** A thermometer, hygrometer or meter with its own error. */
export const instrumentValueSchema = z.object({
  name: nameSchema(120),
  kind: z.enum(INSTRUMENT_KINDS),
  /** Added to what it shows, in its own unit. */
  offset: kelvinSchema,
  /** Standard uncertainty of what it shows, in its own unit. */
  uncertainty: z.number().min(0, 'must be at least 0').max(50, 'must not exceed 50'),
  /** How long it takes to settle. */
  settleS: z.number().int().min(0, 'must be at least 0 s').max(3600, 'must not exceed 3600 s'),
  archived: z.boolean(),
});

export type InstrumentValue = z.infer<typeof instrumentValueSchema>;

export const instrumentEntity = defineEntity({
  name: 'instrument',
  label: 'instrument',
  schema: instrumentValueSchema,
  scope: 'shelf',
  parent: null,
  words: {
    name: 'name',
    kind: 'kind',
    offset: 'offset',
    uncertainty: 'uncertainty',
    settleS: 'time to settle',
    archived: 'put away',
  },
  removable: false,
});
