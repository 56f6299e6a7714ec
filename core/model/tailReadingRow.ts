import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema } from '../ground/fields';

const waterSchema = z.number().min(-20, 'must be at least −20 °C').max(130, 'must not exceed 130 °C');

/** Flow and return of an emitter read on a walk: from two regions of a frame, or typed. */
export const tailReadingValueSchema = z
  .object({
    visitId: idSchema,
    serviceId: idSchema,
    walk: z.number().int().min(1).max(1000),
    at: momentSchema,
    /** Typed; null where regions say it. */
    flowC: waterSchema.nullable(),
    returnC: waterSchema.nullable(),
    frameId: idSchema.nullable(),
    flowRegionId: idSchema.nullable(),
    returnRegionId: idSchema.nullable(),
    /** Air of the room; null where nobody read it. */
    roomC: z.number().min(-10, 'must be at least −10 °C').max(45, 'must not exceed 45 °C').nullable(),
  })
  .refine(({ flowC, returnC, frameId }) => frameId !== null || (flowC !== null && returnC !== null), {
    message: 'needs flow and return, typed or from a frame',
    path: ['flowC'],
  });

export const tailReadingEntity = defineEntity({
  name: 'tailReading',
  label: 'reading of an emitter',
  schema: tailReadingValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  points: {
    serviceId: { kind: 'service', whenGone: 'stays' },
    frameId: { kind: 'frame', whenGone: 'stays' },
    flowRegionId: { kind: 'region', whenGone: 'clear' },
    returnRegionId: { kind: 'region', whenGone: 'clear' },
  },
  words: { at: 'read at', flowC: 'flow', returnC: 'return', roomC: 'room' },
});
