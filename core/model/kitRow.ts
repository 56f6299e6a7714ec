import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, nameSchema } from '../ground/fields';

/** What is packed for a visit. */
export const kitValueSchema = z.object({
  visitId: idSchema,
  items: z.array(z.object({ name: nameSchema(160), packed: z.boolean() })).max(80, 'must not be more than 80'),
});

export type KitValue = z.infer<typeof kitValueSchema>;

export const kitEntity = defineEntity({
  name: 'kit',
  label: 'kit list',
  schema: kitValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: { items: 'what is packed' },
});
