import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema } from '../ground/fields';

const turns = z.number().min(0, 'must not be negative').max(20, 'must not exceed 20 turns');

/** A lockshield turned on a walk: one row for each emitter and walk, so that two people at one valve are asked. */
const valveTurnValueSchema = z.object({
  visitId: idSchema,
  serviceId: ref('service', 'stays'),
  walk: z.number().int().min(1).max(1000),
  at: momentSchema,
  /** null: nobody had counted where it stood. */
  from: turns.nullable(),
  to: turns,
});

export const valveTurnEntity = defineEntity({
  name: 'valveTurn',
  label: 'turn of a valve',
  schema: valveTurnValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: { at: 'turned at', from: 'from', to: 'to' },
});
