import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_SITE } from './entity';
import { idSchema, nameSchema } from '../ground/fields';
import { WALLS } from '../method/weather/wallMemory';
import { BEHINDS, OPENING_KINDS, SURFACE_KINDS } from './houseKinds';

/** A window, door or hatch in a surface; metres from its top left corner, seen from where it is looked at. */
export const openingSchema = z.object({
  id: idSchema,
  kind: z.enum(OPENING_KINDS),
  x: z.number().min(0).max(60),
  y: z.number().min(0).max(20),
  width: z.number().min(0.02, 'must be at least 0.02 m').max(20, 'must not exceed 20 m'),
  height: z.number().min(0.02, 'must be at least 0.02 m').max(10, 'must not exceed 10 m'),
});

export const surfaceValueSchema = z.object({
  siteId: idSchema,
  /** null is a surface outdoors: a façade or a roof. */
  roomId: ref('room', 'refuse').nullable(),
  name: nameSchema(120),
  kind: z.enum(SURFACE_KINDS),
  /** Where its outer side looks, degrees from north; null where that says nothing. */
  azimuth: z.number().min(0, 'must be at least 0°').lt(360, 'must be below 360°').nullable(),
  mass: z.enum(WALLS),
  behind: z.enum(BEHINDS),
  widthM: z.number().min(0.3, 'must be at least 0.3 m').max(60, 'must not exceed 60 m'),
  heightM: z.number().min(0.3, 'must be at least 0.3 m').max(60, 'must not exceed 60 m'),
  openings: z.array(openingSchema).max(20, 'must not be more than 20'),
  /** The same place from its other side: the room above, the next room, the façade. */
  otherSideId: ref('surface', 'stays').nullable(),
  ordinal: z.number().int().min(0).max(1000),
});

export type Opening = z.infer<typeof openingSchema>;
/** An opening before it has a name of its own. */
export type OpeningShape = Omit<Opening, 'id'>;
export type SurfaceValue = z.infer<typeof surfaceValueSchema>;

export const surfaceEntity = defineEntity({
  name: 'surface',
  label: 'surface',
  schema: surfaceValueSchema,
  scope: 'site',
  parent: OF_SITE,
  words: {
    name: 'name',
    kind: 'kind',
    azimuth: 'looks to',
    mass: 'weight of the wall',
    behind: 'what lies behind',
    widthM: 'width',
    heightM: 'height',
    openings: 'openings',
  },
});
