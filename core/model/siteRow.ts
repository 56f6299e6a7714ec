import * as z from 'zod';
import { defineEntity } from './entity';
import { nameSchema, textSchema } from '../ground/fields';
import { facadeSchema, latitudeSchema, longitudeSchema, timeZoneSchema } from '../method/weather/plan';

export const siteValueSchema = z.object({
  name: nameSchema(120),
  address: textSchema(240),
  timeZone: timeZoneSchema,
  latitude: latitudeSchema.nullable(),
  longitude: longitudeSchema.nullable(),
  facades: z.array(facadeSchema).max(12, 'must not be more than 12'),
  archived: z.boolean(),
});

export type SiteValue = z.infer<typeof siteValueSchema>;

export const siteEntity = defineEntity({
  name: 'site',
  label: 'site',
  schema: siteValueSchema,
  scope: 'site',
  parent: null,
  words: {
    name: 'name',
    address: 'address',
    timeZone: 'time zone',
    latitude: 'latitude',
    longitude: 'longitude',
    facades: 'façades',
    archived: 'put away',
  },
});
