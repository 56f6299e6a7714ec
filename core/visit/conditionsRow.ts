import { z } from 'zod';
import { defineEntity, OF_VISIT } from '../rows/entity';
import { airSchema, humiditySchema, idSchema } from '../rows/fields';

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
  },
  removable: false,
});
