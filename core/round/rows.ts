import { z } from 'zod';
import { airSchema, humiditySchema, idSchema, momentSchema, nameSchema, temperatureSchema, textSchema } from '../visit/fields';
import { VISIT_KINDS } from '../visit/kinds';
import { CHANGE_KINDS } from './changes';

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
  openedAt: momentSchema.nullable(),
  answeredAt: momentSchema.nullable(),
});

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

/** Air as it was read, by hand or by a logger. */
export const logEntrySchema = z.object({
  at: momentSchema,
  insideC: airSchema.nullable(),
  outsideC: airSchema.nullable(),
  humidityPct: humiditySchema.nullable(),
});

export const MAX_LOG_ENTRIES = 5000;

export const logValueSchema = z.object({
  visitId: idSchema,
  name: nameSchema(160),
  entries: z.array(logEntrySchema).max(MAX_LOG_ENTRIES, `must not be more than ${MAX_LOG_ENTRIES}`),
});

/** What is packed for a visit. */
export const kitValueSchema = z.object({
  visitId: idSchema,
  items: z.array(z.object({ name: nameSchema(160), packed: z.boolean() })).max(80, 'must not be more than 80'),
});

/** What a kind of visit begins with, as somebody changed it; the usual list holds while there is none. */
export const kitListValueSchema = z.object({
  kind: z.enum(VISIT_KINDS),
  items: z.array(nameSchema(160)).max(80, 'must not be more than 80'),
});

export type KitListValue = z.infer<typeof kitListValueSchema>;
export type StopValue = z.infer<typeof stopValueSchema>;
export type PutBackValue = z.infer<typeof putBackValueSchema>;
export type LogEntry = z.infer<typeof logEntrySchema>;
export type LogValue = z.infer<typeof logValueSchema>;
export type KitValue = z.infer<typeof kitValueSchema>;
