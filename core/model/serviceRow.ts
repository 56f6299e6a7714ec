import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_SITE } from './entity';
import { idSchema, nameSchema } from '../ground/fields';
import { SERVICE_KINDS } from './serviceKinds';

/** One service of a house, where it stands on the plan of its storey. */
export const serviceValueSchema = z.object({
  siteId: idSchema,
  roomId: ref('room', 'refuse'),
  kind: z.enum(SERVICE_KINDS),
  name: nameSchema(120),
  /** Metres from the left and the upper edge of its room, seen from above. */
  x: z.number().min(0, 'must not be negative').max(100, 'must not exceed 100 m'),
  y: z.number().min(0, 'must not be negative').max(100, 'must not exceed 100 m'),
  ordinal: z.number().int().min(0).max(1000),
});

export type ServiceValue = z.infer<typeof serviceValueSchema>;

export const serviceEntity = defineEntity({
  name: 'service',
  label: 'service',
  schema: serviceValueSchema,
  scope: 'site',
  parent: OF_SITE,
  words: { name: 'name', kind: 'kind', x: 'place across', y: 'place along' },
});
