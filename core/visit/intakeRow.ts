import { z } from 'zod';
import { defineEntity, OF_VISIT } from '../rows/entity';
import { idSchema, nameSchema, textSchema } from '../rows/fields';
import { VISIT_KINDS } from './kinds';

/** Why somebody called. */
export const intakeValueSchema = z.object({
  visitId: idSchema,
  kind: z.enum(VISIT_KINDS),
  complaints: z
    .array(z.object({ id: idSchema, place: nameSchema(120), what: nameSchema(240) }))
    .max(40, 'must not be more than 40'),
  /** What was removed, boarded, added, insulated, and when. */
  history: z.array(z.object({ id: idSchema, what: nameSchema(240), when: textSchema(60) })).max(40, 'must not be more than 40'),
  people: textSchema(500),
  access: textSchema(500),
});

export type IntakeValue = z.infer<typeof intakeValueSchema>;

export const intakeEntity = defineEntity({
  name: 'intake',
  label: 'question',
  schema: intakeValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: { kind: 'kind of visit', complaints: 'complaints', history: 'history', people: 'people', access: 'access' },
  addable: false,
  removable: false,
});
