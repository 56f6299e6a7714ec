import * as z from 'zod';
import { defineEntity, OF_FRAME } from './entity';
import { idSchema, momentSchema, nameSchema, textSchema } from '../ground/fields';

/** What a person says of a candidate that becomes no finding. */
export const RULINGS = ['dismissed', 'unsure'] as const;

/** Why a candidate is nothing to report, to be tapped. */
export const DISMISS_REASONS = [
  'A reflection',
  'Known and meant',
  'Furniture or a picture',
  'A pipe or cable, as it should be',
  'The sun',
  'A person or animal',
  'Too slight to matter',
] as const;

export const rulingValueSchema = z.object({
  frameId: idSchema,
  /** The stop of the round: what was dismissed there stays dismissed on its other frames. */
  stopKey: nameSchema(160).nullable(),
  ruling: z.enum(RULINGS),
  sign: z.union([z.literal(-1), z.literal(1)]),
  /** The candidate's box as shares of the frame's width and height. */
  box: z.object({
    x: z.number().min(0).max(1),
    y: z.number().min(0).max(1),
    width: z.number().min(0).max(1),
    height: z.number().min(0).max(1),
  }),
  reason: textSchema(240),
  ruledAt: momentSchema,
});

export type RulingValue = z.infer<typeof rulingValueSchema>;

export const rulingEntity = defineEntity({
  name: 'ruling',
  label: 'ruling on a candidate',
  schema: rulingValueSchema,
  scope: 'visit',
  parent: OF_FRAME,
  words: { ruling: 'what was said of it', reason: 'reason' },
});
