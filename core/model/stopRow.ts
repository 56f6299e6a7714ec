import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema, nameSchema, temperatureSchema, textSchema } from '../ground/fields';

/** How a stop was answered. A frame taken there answers it as seen. */
export const ANSWERS = ['seen', 'nothing', 'unreached', 'unsolved'] as const;
export type Answer = (typeof ANSWERS)[number];

/** What is known of one stop of a visit's round. The stop itself follows from house, complaints and history. */
export const stopValueSchema = z.object({
  visitId: idSchema,
  /** Names the stop in every visit of the site. */
  key: nameSchema(160),
  answer: z.enum(ANSWERS).nullable(),
  /** Why it could not be reached. */
  reason: textSchema(240),
  note: textSchema(2000),
  /** What a contact thermometer or another probe said, already with its offset. */
  probes: z.array(z.object({ celsius: temperatureSchema, with: textSchema(120) })).max(20, 'must not be more than 20'),
  /** Taken off the round by hand. */
  struck: z.boolean().default(false),
  openedAt: momentSchema.nullable(),
  answeredAt: momentSchema.nullable(),
});

export type StopValue = z.infer<typeof stopValueSchema>;

export const stopEntity = defineEntity({
  name: 'stop',
  label: 'stop',
  schema: stopValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  fixed: ['key'],
  words: { answer: 'answer', reason: 'why not reached', note: 'note', probes: 'probe values', struck: 'struck off' },
});
