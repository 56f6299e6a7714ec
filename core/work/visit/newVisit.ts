import * as z from 'zod';
import { VISIT_KINDS } from '../../model/visitKinds';
import { idSchema, nameSchema } from '../../ground/fields';
import { conditionsValueSchema } from '../../model/conditionsRow';
import { siteValueSchema } from '../../model/siteRow';
import { visitValueSchema } from '../../model/visitRow';

/** What a new visit needs to begin with. The rest is added as the work goes on. */
export const newVisitSchema = z.object({
  /** A site that is known, or a new one. */
  site: z.union([z.object({ id: idSchema }), siteValueSchema.omit({ archived: true })]),
  /** Of a made-up house. */
  practice: z.boolean().default(false),
  kind: z.enum(VISIT_KINDS),
  title: nameSchema(160),
  question: z.string().trim().max(1000, 'must not be longer than 1000 characters'),
  startedAt: visitValueSchema.shape.startedAt,
  insideC: conditionsValueSchema.shape.insideC,
  outsideC: conditionsValueSchema.shape.outsideC,
  humidityPct: conditionsValueSchema.shape.humidityPct,
  /** Rooms of a new site; added to those of a known one. */
  rooms: z.array(nameSchema(120)).max(200, 'must not be more than 200'),
});

export type NewVisit = z.input<typeof newVisitSchema>;

/** What is answered when a visit was made. */
export const madeVisitSchema = z.object({ visitId: idSchema });
