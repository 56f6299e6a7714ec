import * as z from 'zod';
import { defineEntity } from './entity';
import { idSchema, indoorSchema, momentSchema, nameSchema } from '../ground/fields';
import { latitudeSchema, longitudeSchema, STRICTNESSES, timeZoneSchema } from '../method/weather/plan';

export const loanValueSchema = z
  .object({
    name: nameSchema(160),
    timeZone: timeZoneSchema,
    latitude: latitudeSchema,
    longitude: longitudeSchema,
    from: momentSchema,
    to: momentSchema,
    insideC: indoorSchema,
    strictness: z.enum(STRICTNESSES),
    /** Of made-up houses: then the made-up forecast holds where no file was brought. */
    practice: z.boolean(),
    weatherId: idSchema.nullable(),
    archived: z.boolean(),
  })
  .refine(({ from, to }) => to > from, { path: ['to'], message: 'must be after its begin' })
  .refine(({ from, to }) => to - from <= 7.5 * 24 * 3_600_000, {
    path: ['to'],
    message: 'must be within seven days of its begin',
  });

export const loanEntity = defineEntity({
  name: 'loan',
  label: 'loan',
  schema: loanValueSchema,
  scope: 'loan',
  parent: null,
  words: {
    name: 'name',
    timeZone: 'time zone',
    latitude: 'latitude',
    longitude: 'longitude',
    to: 'end',
    insideC: 'inside',
    strictness: 'how strict',
    archived: 'put away',
    from: 'begin',
  },
  removable: false,
});
