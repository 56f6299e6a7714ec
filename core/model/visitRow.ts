import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_SITE } from './entity';
import { daySchema, momentSchema, nameSchema, textSchema } from '../ground/fields';
import { steadySpanSchema } from '../method/scale/scale';

/** It became a visit for practice; frames of an invented room were taken out of it. */
export const UPGRADED = ['became-practice', 'frames-out'] as const;

export const visitValueSchema = z.object({
  archived: z.boolean(),
  /** A made-up house with invented weather and a camera that sees it: for learning. Nothing of it is evidence. */
  practice: z.boolean(),
  /** What an upgrade did to it that its people have to know; null once they know. */
  upgraded: z.enum(UPGRADED).nullable().default(null),
  title: nameSchema(160),
  /** ms since 1970. */
  startedAt: momentSchema,
  question: textSchema(1000),
  /** What the report answers in short, where somebody wrote it; else it is proposed. */
  answer: textSchema(2000).default(''),
  span: steadySpanSchema,
  /** When the next round is due, a day of the local calendar; null while nobody said. */
  nextDay: daySchema.nullable().default(null),
  /** The camera that is taken along, and took all frames that name none; null while nobody said. */
  cameraId: ref('camera', 'refuse').nullable(),
  /** Below this temperature factor a surface grows mould in the long run; null while nobody chose a limit. */
  mouldFactor: z.number().min(0.3, 'must be at least 0.3').max(0.95, 'must not exceed 0.95').nullable(),
  referenceInsideId: ref('region', 'stays').nullable(),
  referenceOutsideId: ref('region', 'stays').nullable(),
});

export type VisitValue = z.infer<typeof visitValueSchema>;

export const visitEntity = defineEntity({
  name: 'visit',
  label: 'visit',
  schema: visitValueSchema,
  scope: 'visit',
  parent: OF_SITE,
  words: {
    title: 'title',
    archived: 'put away',
    startedAt: 'begin',
    question: 'question',
    answer: 'answer of the report',
    nextDay: 'next round',
    span: 'steady scale',
    mouldFactor: 'limit for mould',
  },
  addable: false,
  fixed: ['practice'],
});
