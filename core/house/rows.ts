import { z } from 'zod';
import { idSchema, nameSchema } from '../visit/fields';
import { WALLS } from '../weather/wallMemory';
import { BEHINDS, OPENING_KINDS, ROOM_KINDS, SURFACE_KINDS } from './kinds';

/** Where a room lies on the plan of its storey, in whole metres from the plan's corner. */
export const planBoxSchema = z.object({
  x: z.number().int().min(0).max(60),
  y: z.number().int().min(0).max(60),
  width: z.number().int().min(1, 'must be at least 1 m').max(60, 'must not exceed 60 m'),
  depth: z.number().int().min(1, 'must be at least 1 m').max(60, 'must not exceed 60 m'),
});

export const roomValueSchema = z.object({
  siteId: idSchema,
  name: nameSchema(120),
  kind: z.enum(ROOM_KINDS),
  /** 0 is the ground floor, −1 a cellar. */
  storey: z.number().int().min(-3, 'must be at least −3').max(20, 'must not exceed 20'),
  plan: planBoxSchema,
  heightM: z.number().min(1, 'must be at least 1 m').max(20, 'must not exceed 20 m'),
  ordinal: z.number().int().min(0).max(1000),
});

/** A window, door or hatch in a surface; metres from its top left corner, seen from where it is looked at. */
export const openingSchema = z.object({
  kind: z.enum(OPENING_KINDS),
  x: z.number().min(0).max(60),
  y: z.number().min(0).max(20),
  width: z.number().min(0.02, 'must be at least 0.02 m').max(20, 'must not exceed 20 m'),
  height: z.number().min(0.02, 'must be at least 0.02 m').max(10, 'must not exceed 10 m'),
});

export const surfaceValueSchema = z.object({
  siteId: idSchema,
  /** null is a surface outdoors: a façade or a roof. */
  roomId: idSchema.nullable(),
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
  otherSideId: idSchema.nullable(),
  ordinal: z.number().int().min(0).max(1000),
});

export type PlanBox = z.infer<typeof planBoxSchema>;
export type Opening = z.infer<typeof openingSchema>;
export type RoomValue = z.infer<typeof roomValueSchema>;
export type SurfaceValue = z.infer<typeof surfaceValueSchema>;
