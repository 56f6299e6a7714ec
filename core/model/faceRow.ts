import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_FRAME } from './entity';
import { idSchema } from '../ground/fields';
import { FACE_STAGES } from '../method/heating/stages';

/** Where the face of an emitter lies in a frame, and at which stage of the work it was seen. */
export const faceValueSchema = z.object({
  frameId: idSchema,
  serviceId: ref('service', 'stays'),
  stage: z.enum(FACE_STAGES),
  box: z.object({
    x: z.number().int().min(0).max(10_000),
    y: z.number().int().min(0).max(10_000),
    width: z.number().int().min(6, 'must be at least 6 pixels').max(10_000),
    height: z.number().int().min(6, 'must be at least 6 pixels').max(10_000),
  }),
});

export type FaceValue = z.infer<typeof faceValueSchema>;

export const faceEntity = defineEntity({
  name: 'face',
  label: 'face of an emitter',
  schema: faceValueSchema,
  scope: 'visit',
  parent: OF_FRAME,
  words: { stage: 'stage', box: 'box' },
});
