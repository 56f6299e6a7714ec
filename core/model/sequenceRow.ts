import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, nameSchema } from '../ground/fields';

/** Frames that were recorded one after the other. */
const sequenceValueSchema = z.object({
  visitId: idSchema,
  name: nameSchema(160),
  /** From one frame to the next, s; null when nobody knows. */
  intervalS: z.number().gt(0, 'must be above 0 s').max(86_400, 'must not exceed a day').nullable(),
});

export const sequenceEntity = defineEntity({
  name: 'sequence',
  label: 'sequence',
  schema: sequenceValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: { name: 'name', intervalS: 'from one frame to the next' },
});
