import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_LOAN } from './entity';
import { idSchema, momentSchema, nameSchema, textSchema } from '../ground/fields';

const conditionSchema = z.object({
  at: momentSchema,
  /** Parts that were there, of those that belong to the camera. */
  parts: z.array(nameSchema(120)).max(40),
  chargePct: z.number().int().min(0, 'must be at least 0 %').max(100, 'must not exceed 100 %').nullable(),
  cardEmpty: z.boolean(),
  note: textSchema(500),
});

/** A camera in somebody's hands: out with every part, and back. */
export const handoverValueSchema = z.object({
  loanId: idSchema,
  cameraId: ref('camera', 'refuse'),
  who: nameSchema(120),
  out: conditionSchema,
  back: conditionSchema.nullable(),
});

export type HandoverValue = z.infer<typeof handoverValueSchema>;

export const handoverEntity = defineEntity({
  name: 'handover',
  label: 'handover',
  schema: handoverValueSchema,
  scope: 'loan',
  parent: OF_LOAN,
  words: { who: 'who', out: 'handed out', back: 'came back' },
  removable: false,
});
