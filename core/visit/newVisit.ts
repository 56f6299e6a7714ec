import { z } from 'zod';
import { conditionsValueSchema, nameSchema } from './rows';

/** What a new visit needs to begin with. The rest is added as the work goes on. */
export const newVisitSchema = z.object({
  siteName: nameSchema(120),
  address: z.string().trim().max(240, 'must not be longer than 240 characters'),
  timeZone: z.string().refine(isTimeZone, 'is not a time zone, such as Europe/London'),
  title: nameSchema(160),
  question: z.string().trim().max(1000, 'must not be longer than 1000 characters'),
  /** Milliseconds since 1970, UTC. */
  startedAt: z.number().int().min(0).max(4.1e12),
  insideC: conditionsValueSchema.shape.insideC,
  outsideC: conditionsValueSchema.shape.outsideC,
  humidityPct: conditionsValueSchema.shape.humidityPct,
  rooms: z.array(nameSchema(120)).max(200, 'must not be more than 200'),
});

export type NewVisit = z.infer<typeof newVisitSchema>;

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
