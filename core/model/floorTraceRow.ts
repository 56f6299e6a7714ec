import * as z from 'zod';
import { defineEntity, OF_FRAME } from './entity';
import { idSchema, nameSchema, textSchema } from '../ground/fields';
import { faceValueSchema } from './faceRow';

/** A floor that is warmed from below, as one frame shows it. */
export const floorTraceValueSchema = z.object({
  frameId: idSchema,
  name: nameSchema(120),
  box: faceValueSchema.shape.box,
  /** Width of the box on the floor, m; null where nobody measured it. */
  widthM: z.number().min(0.2, 'must be at least 0.2 m').max(50, 'must not exceed 50 m').nullable(),
  /** What lies on the floor or is wet, in somebody's words. */
  note: textSchema(400),
});

export type FloorTraceValue = z.infer<typeof floorTraceValueSchema>;

export const floorTraceEntity = defineEntity({
  name: 'floorTrace',
  label: 'floor loop',
  schema: floorTraceValueSchema,
  scope: 'visit',
  parent: OF_FRAME,
  words: { name: 'name', box: 'box', widthM: 'width', note: 'note' },
});
