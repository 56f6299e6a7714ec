import * as z from 'zod';
import { defineEntity, OF_SITE } from './entity';
import { idSchema, nameSchema } from '../ground/fields';
import { ROOM_KINDS } from './houseKinds';

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
  /** Whether it is heated or cooled with the house, or has an air of its own, as a loft has; null as its kind usually is. */
  heated: z.boolean().nullable().default(null),
  heightM: z.number().min(1, 'must be at least 1 m').max(20, 'must not exceed 20 m'),
  ordinal: z.number().int().min(0).max(1000),
});

export type PlanBox = z.infer<typeof planBoxSchema>;
export type RoomValue = z.infer<typeof roomValueSchema>;

export const roomEntity = defineEntity({
  name: 'room',
  label: 'room',
  schema: roomValueSchema,
  scope: 'site',
  parent: OF_SITE,
  words: { name: 'name', kind: 'kind', storey: 'storey', plan: 'place on the plan', heightM: 'height', heated: 'heated or not' },
});
