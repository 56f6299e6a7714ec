import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema, nameSchema, textSchema } from '../ground/fields';
import { CHANGE_KINDS } from './changeKinds';

/** Something that was changed for the survey and has to be put back. */
export const putBackValueSchema = z.object({
  visitId: idSchema,
  kind: z.enum(CHANGE_KINDS),
  what: nameSchema(160),
  was: textSchema(120),
  now: textSchema(120),
  changedAt: momentSchema,
  /** null as long as it is not put back. */
  putBackAt: momentSchema.nullable(),
});

export type PutBackValue = z.infer<typeof putBackValueSchema>;

export const putBackEntity = defineEntity({
  name: 'putBack',
  label: 'entry of the put-back list',
  schema: putBackValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: { kind: 'kind', what: 'what', was: 'was', now: 'is now', putBackAt: 'put back' },
});
