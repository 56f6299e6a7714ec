import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_FRAME } from './entity';
import { idSchema, nameSchema, temperatureSchema } from '../ground/fields';

/** What a contact thermometer showed beside a frame. */
export const probeValueSchema = z.object({
  frameId: idSchema,
  name: nameSchema(80),
  x: z.number().int().min(0).max(100_000),
  y: z.number().int().min(0).max(100_000),
  /** As it was read; its instrument's offset comes on top. */
  celsius: temperatureSchema,
  /** Standard uncertainty, K. */
  uncertaintyK: z.number().min(0, 'must be at least 0 K').max(50, 'must not exceed 50 K'),
  instrumentId: ref('instrument', 'forget').nullable(),
});

export type ProbeValue = z.infer<typeof probeValueSchema>;

export const probeEntity = defineEntity({
  name: 'probe',
  label: 'probe value',
  schema: probeValueSchema,
  scope: 'visit',
  parent: OF_FRAME,
  words: { name: 'name', x: 'column', y: 'row', celsius: 'reading', uncertaintyK: 'uncertainty' },
});
