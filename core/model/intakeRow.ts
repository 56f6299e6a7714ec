import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, nameSchema, textSchema } from '../ground/fields';
import { VISIT_KINDS } from './visitKinds';

/** Why somebody called. */
export const intakeValueSchema = z.object({
  visitId: idSchema,
  kind: z.enum(VISIT_KINDS),
  complaints: z
    .array(
      z.object({
        id: idSchema,
        place: nameSchema(120),
        what: nameSchema(240),
        /** What the report answers, where somebody wrote it; else it is proposed. */
        answer: textSchema(1000).default(''),
      }),
    )
    .max(40, 'must not be more than 40'),
  /** What was removed, boarded, added, insulated, and when. */
  history: z.array(z.object({ id: idSchema, what: nameSchema(240), when: textSchema(60) })).max(40, 'must not be more than 40'),
  /** Who lives there surveys it, with a camera of their own or on loan. */
  ownHome: z.boolean().default(false),
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
  words: {
    kind: 'kind of visit',
    complaints: 'complaints',
    history: 'history',
    ownHome: 'own home',
    people: 'people',
    access: 'access',
  },
  addable: false,
  removable: false,
});
