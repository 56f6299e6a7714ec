import * as z from 'zod';
import type { LeakFound } from '../method/water/timelapse';
import type { Answer } from '../work/proof/proven';

const number = z.number();
const place = { x: number, y: number };

const leakSchema: z.ZodType<LeakFound> = z.strictObject({
  source: z
    .strictObject({
      kind: z.enum(['point', 'line']),
      inside: z.boolean(),
      x: number.nullable(),
      y: number.nullable(),
      radius: number.nullable(),
      line: z
        .array(z.tuple([number, number]))
        .max(1000)
        .nullable(),
      direction: number.nullable(),
    })
    .nullable(),
  onset: number.nullable(),
  slopeMax: number.nullable(),
  confidence: number.min(0).max(1),
  enough: z.boolean(),
  moreMinutes: number.nullable(),
  frames: z
    .array(
      z.strictObject({ name: z.string().max(200), t: number, contrast: number, area: number, moved: number, disturbed: number }),
    )
    .max(1000),
  dropped: z.array(z.strictObject({ name: z.string().max(200), reason: z.literal('foreign') })).max(1000),
  inOrder: z.boolean(),
  standing: z.array(z.strictObject({ ...place, radius: number, contrast: number })).max(100),
  others: z.array(z.strictObject({ ...place, why: z.enum(['edges', 'pace', 'weaker']) })).max(1000),
  scale: number,
});

const changeSchema = z.strictObject({
  name: z.string().max(200),
  beforeC: number.nullable(),
  afterC: number.nullable(),
  factorBefore: number.nullable(),
  factorAfter: number.nullable(),
  change: number.nullable(),
  uncertainty: number.nullable(),
  verdict: z.enum(['better', 'same', 'worse', 'cannot-say']),
  why: z.enum([
    'more-than-uncertain',
    'less-than-uncertain',
    'too-uncertain',
    'stored-heat',
    'whole-wall',
    'same-or-better',
    'space-unknown',
    'no-such-wall',
    'surface-changed',
    'looks-different',
    'not-in-view',
    'too-little-drive',
    'opposite-drive',
  ]),
});

const answerSchema: z.ZodType<Answer> = z.union([
  z.strictObject({ h: z.array(number).length(9), changes: z.array(changeSchema).max(1000) }),
  z.strictObject({ problem: z.string().max(1000) }),
]);

/** What takes seconds to find out and is kept under all that it follows from, for pages, reports and their PDFs alike. */
export interface Kept {
  leak: LeakFound;
  answer: Answer;
}

export const KEPT_SCHEMAS: { [K in keyof Kept]: z.ZodType<Kept[K]> } = { leak: leakSchema, answer: answerSchema };

/** A result to be kept, as it comes from a page. */
export const keptSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('leak'), value: leakSchema }),
  z.strictObject({ kind: z.literal('answer'), value: answerSchema }),
]);
