import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema } from '../ground/fields';

const waterSchema = z.number().min(-20, 'must be at least −20 °C').max(130, 'must not exceed 130 °C');

/** Flow and return of an emitter read on a walk: from two regions of a frame, or typed. */
export const tailReadingValueSchema = z
  .object({
    visitId: idSchema,
    serviceId: ref('service', 'stays'),
    walk: z.number().int().min(1).max(1000),
    at: momentSchema,
    /** Typed; null where regions say it. */
    flowC: waterSchema.nullable(),
    returnC: waterSchema.nullable(),
    frameId: ref('frame', 'cascade').nullable(),
    flowRegionId: ref('region', 'cascade').nullable(),
    returnRegionId: ref('region', 'cascade').nullable(),
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
  words: { at: 'read at', flowC: 'flow', returnC: 'return', roomC: 'room' },
});
