import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema, nameSchema, temperatureSchema, textSchema } from '../ground/fields';
import { USUAL } from '../ground/usual';
import { COVERING_NAMES } from '../method/water/willShow';
import { HYPOTHESES, HUNT_STEPS, OUTCOMES } from './hypotheses';

const pixel = z.number().min(0).max(20_000);
/** Meters count in per cent, digits or units of their own. */
const meterValue = z.number().min(0, 'must not be negative').max(2000, 'must not exceed 2000');
const metres = z.number().min(0, 'must not be negative').max(100, 'must not exceed 100 m');

/** The hunt for a leak: one row for each visit. */
export const huntValueSchema = z.object({
  visitId: idSchema,
  /** Which side is run while frames are taken; null while nobody said. */
  side: z.enum(['hot', 'cold']).nullable(),
  /** Screed over the pipe and what lies on it. */
  coverMm: z.number().min(1, 'must be at least 1 mm').max(500, 'must not exceed 500 mm').nullable(),
  covering: z.enum(COVERING_NAMES).nullable(),
  waterC: temperatureSchema.nullable(),
  /** When the water was turned on. */
  onAt: momentSchema.nullable(),
  /** The frames that are looked through: a recording, or a stop. */
  series: nameSchema(200).nullable(),
  /** What came of each step, and when. */
  steps: z.partialRecord(z.enum(HUNT_STEPS), z.object({ outcome: z.enum(OUTCOMES), at: momentSchema })),
  litresMin: z.number().min(0, 'must not be negative').max(200, 'must not exceed 200 l/min').nullable(),
  /** Of a cubic metre of water and of a kilowatt-hour of its heat, in the currency of the house. */
  pricePerM3: z.number().min(0, 'must not be negative').max(1000, 'must not exceed 1000').nullable(),
  pricePerKwh: z.number().min(0, 'must not be negative').max(100, 'must not exceed 100').nullable(),
  /** Steps that take their time, and when each was begun. */
  timers: z.partialRecord(z.enum(HUNT_STEPS), momentSchema),
  /** What a moisture meter read at places of a frame, in pixels; of as many days as somebody came. */
  meter: z
    .array(z.object({ id: idSchema, at: momentSchema, frameId: ref('frame', 'refuse'), x: pixel, y: pixel, value: meterValue }))
    .max(400, 'must not exceed 400 readings'),
  /** Marked from two fixed edges. */
  mark: z.object({ fromA: nameSchema(80), aM: metres.nullable(), fromB: nameSchema(80), bM: metres.nullable() }).nullable(),
  /** What was found when it was opened. */
  found: z
    .object({
      /** null until somebody says it. */
      cause: z.enum(HYPOTHESES).nullable(),
      depthMm: z.number().min(0).max(2000).nullable(),
      offMarkM: metres.nullable(),
      pipe: textSchema(240),
      advice: textSchema(1000),
    })
    .nullable(),
  note: textSchema(2000),
});

export type HuntValue = z.infer<typeof huntValueSchema>;

/** Whether the hot side is run, as far as anybody said. */
export const runsHot = ({ side }: Pick<HuntValue, 'side'>) => (side ?? USUAL.side) === 'hot';

export const huntEntity = defineEntity({
  name: 'hunt',
  label: 'hunt for a leak',
  schema: huntValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    side: 'side',
    coverMm: 'cover',
    covering: 'covering',
    waterC: 'water',
    onAt: 'water on',
    series: 'frames',
    steps: 'steps',
    litresMin: 'loss',
    pricePerM3: 'price of water',
    pricePerKwh: 'price of heat',
    timers: 'timers',
    meter: 'meter readings',
    mark: 'mark',
    found: 'what was found',
    note: 'note',
  },
});
