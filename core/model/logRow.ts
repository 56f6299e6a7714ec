import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { airSchema, humiditySchema, idSchema, momentSchema, nameSchema } from '../ground/fields';

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
  /** The room whose air was read as the air inside; null for the house. */
  roomId: ref('room', 'forget').nullable().default(null),
  name: nameSchema(160),
  entries: z.array(logEntrySchema).max(MAX_LOG_ENTRIES, `must not be more than ${MAX_LOG_ENTRIES}`),
});

export type LogEntry = z.infer<typeof logEntrySchema>;
export type LogValue = z.infer<typeof logValueSchema>;

export const logEntity = defineEntity({
  name: 'log',
  label: 'log of the air',
  schema: logValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: { roomId: 'room', name: 'name', entries: 'readings' },
});
