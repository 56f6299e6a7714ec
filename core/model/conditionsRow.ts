import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { airSchema, humiditySchema, idSchema } from '../ground/fields';

const hours = z.number().min(0, 'must be at least 0').max(10_000, 'must not exceed 10000 h');

export const conditionsValueSchema = z.object({
  visitId: idSchema,
  insideC: airSchema.nullable(),
  outsideC: airSchema.nullable(),
  humidityPct: humiditySchema.nullable(),
  windMs: z.number().min(0, 'must be at least 0').max(100, 'must not exceed 100 m/s').nullable(),
  /** Where the wind comes from, degrees from north. */
  windFromDeg: z.number().min(0, 'must be at least 0°').max(360, 'must not exceed 360°').nullable(),
  cloudPct: humiditySchema.nullable(),
  sunHours: hours.nullable(),
  rainHours: hours.nullable(),
  /** For how long the heating, or the cooling, has been as it is; and the air outside within some 3 K of what it is. */
  heatingHours: hours.nullable().default(null),
  airHours: hours.nullable().default(null),
});

export type ConditionsValue = z.infer<typeof conditionsValueSchema>;

export const conditionsEntity = defineEntity({
  name: 'conditions',
  label: 'set of conditions',
  schema: conditionsValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    insideC: 'air inside',
    outsideC: 'air outside',
    humidityPct: 'humidity inside',
    windMs: 'wind',
    windFromDeg: 'wind from',
    cloudPct: 'cloud',
    sunHours: 'since sun',
    rainHours: 'since rain',
    heatingHours: 'heating unchanged for',
    airHours: 'air outside unchanged for',
  },
  removable: false,
});
