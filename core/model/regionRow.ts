import * as z from 'zod';
import { defineEntity, OF_FRAME } from './entity';
import { idSchema, nameSchema } from '../ground/fields';
import { shapeSchema } from '../method/frame/region';

/** What a region is there for: to be read, to give a length, or to keep its pixels out of everything. */
export const REGION_ROLES = ['reading', 'length', 'leftOut'] as const;

export const regionValueSchema = z.object({
  frameId: idSchema,
  name: nameSchema(80),
  shape: shapeSchema,
  role: z.enum(REGION_ROLES),
  ordinal: z.number().int().min(0).max(100_000),
});

export type RegionValue = z.infer<typeof regionValueSchema>;

export const regionEntity = defineEntity({
  name: 'region',
  label: 'region',
  schema: regionValueSchema,
  scope: 'visit',
  parent: OF_FRAME,
  words: { name: 'name', shape: 'place', role: 'what it is for' },
});
