import * as z from 'zod';
import { defineEntity } from './entity';
import { idSchema } from '../ground/fields';
import { USUAL } from '../ground/usual';
import { TAILS } from '../method/heating/balance/state';
import { EMITTER_BUILDS } from '../method/heating/build';

const turnsSchema = z.number().min(0, 'must not be negative').max(20, 'must not exceed 20 turns');

/** What is known of an emitter for good: one for each service that gives heat to a room by water. */
export const emitterValueSchema = z
  .object({
    serviceId: idSchema,
    /** Place on the run: 1 is nearest to the source by pipe. null as long as nobody knows. */
    order: z.number().int().min(1).max(200).nullable(),
    /** null while nobody said, as exponent and turns to the stop: usual ones are taken. */
    build: z.enum(EMITTER_BUILDS).nullable(),
    widthM: z.number().min(0.1, 'must be at least 0.1 m').max(12, 'must not exceed 12 m').nullable(),
    heightM: z.number().min(0.05, 'must be at least 0.05 m').max(3, 'must not exceed 3 m').nullable(),
    /** Output at 50 K as its plate says, W; without it the size tells. */
    ratedW: z.number().min(20, 'must be at least 20 W').max(50_000, 'must not exceed 50 000 W').nullable(),
    exponent: z.number().min(1, 'must be at least 1').max(2, 'must not exceed 2').nullable(),
    /** Lockshield as it was found, null until somebody counted it; and turns to its stop; in eighths. */
    turns: turnsSchema.nullable(),
    turnsOpen: turnsSchema.min(0.5, 'must be at least half a turn').nullable(),
    sticks: z.boolean(),
    headOpen: z.boolean(),
    /** What its tails are: paint is near what a camera is set to, bare metal is not. */
    tail: z.enum(TAILS),
    /** What its room needs on the coldest day, W. */
    needW: z.number().min(10, 'must be at least 10 W').max(50_000, 'must not exceed 50 000 W').nullable(),
  })
  .refine(({ turns, turnsOpen }) => turns === null || turns <= (turnsOpen ?? USUAL.turnsOpen), {
    message: 'stands beyond its stop',
    path: ['turns'],
  });

export type EmitterValue = z.infer<typeof emitterValueSchema>;

export const emitterEntity = defineEntity({
  name: 'emitter',
  label: 'emitter',
  schema: emitterValueSchema,
  scope: 'site',
  parent: { field: 'serviceId', kinds: ['service'] },
  words: {
    order: 'place on the run',
    build: 'build',
    widthM: 'width',
    heightM: 'height',
    ratedW: 'rated output',
    turns: 'lockshield as found',
    turnsOpen: 'turns to its stop',
    sticks: 'sticks',
    headOpen: 'head open',
    tail: 'tails',
    needW: 'need of its room',
  },
});
