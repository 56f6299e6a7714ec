import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { nameSchema, temperatureSchema } from '../ground/fields';
import { basisSchema } from '../ground/basis';
import { measureSchema } from '../method/frame/metric';
import { SIDES } from '../ground/side';

export const frameValueSchema = z.object({
  name: nameSchema(160),
  roomId: ref('room', 'forget').nullable(),
  side: z.enum(SIDES),
  surfaceId: ref('surface', 'forget').nullable(),
  /** The stop of the round that it was taken at. */
  stopKey: nameSchema(160).nullable(),
  /** Taken back: kept with its file, shown and counted nowhere. */
  discarded: z.boolean(),
  /** The region on sound wall that others of this frame are compared with. */
  referenceId: ref('region', 'stays', { on: 'id' }).nullable(),
  /** Ends of the frame's own, stretched scale, °C. */
  ownScale: z.object({ low: temperatureSchema, high: temperatureSchema }).nullable(),
  /** What its values are: as the camera saw, or computed by it with settings that are undone first. */
  basis: basisSchema,
  /** What is known of sizes on it. */
  measure: measureSchema.nullable(),
  /** The recording that it is a moment of. */
  sequenceId: ref('sequence', 'forget').nullable(),
  /** Shown by itself, not only within its sequence. */
  picked: z.boolean(),
});

export const frameEntity = defineEntity({
  name: 'frame',
  label: 'frame',
  schema: frameValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    name: 'name',
    side: 'side',
    discarded: 'taken back',
    ownScale: 'own scale',
    basis: 'what its values are',
    measure: 'known sizes',
    picked: 'shown by itself',
  },
  addable: false,
});
