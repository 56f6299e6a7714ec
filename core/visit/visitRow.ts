import * as z from 'zod';
import { defineEntity, OF_SITE } from '../rows/entity';
import { daySchema, idSchema, momentSchema, nameSchema, textSchema } from '../rows/fields';
import { steadySpanSchema } from '../scale/scale';

export const visitValueSchema = z.object({
  archived: z.boolean(),
  title: nameSchema(160),
  /** ms since 1970. */
  startedAt: momentSchema,
  question: textSchema(1000),
  /** What the report answers in short, where somebody wrote it; else it is proposed. */
  answer: textSchema(2000).default(''),
  span: steadySpanSchema,
  /** When the next round is due, a day of the local calendar; null while nobody said. */
  nextDay: daySchema.nullable().default(null),
  /** The camera that is taken along; null while nobody chose one. */
  cameraId: idSchema.nullable(),
  /** Below this temperature factor a surface grows mould in the long run. */
  mouldFactor: z.number().min(0.3, 'must be at least 0.3').max(0.95, 'must not exceed 0.95'),
  referenceInsideId: idSchema.nullable(),
  referenceOutsideId: idSchema.nullable(),
});

export const visitEntity = defineEntity({
  name: 'visit',
  label: 'visit',
  schema: visitValueSchema,
  scope: 'visit',
  parent: OF_SITE,
  points: {
    cameraId: { kind: 'camera', whenGone: 'refuse' },
    referenceInsideId: { kind: 'region', whenGone: 'stays' },
    referenceOutsideId: { kind: 'region', whenGone: 'stays' },
  },
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
});
