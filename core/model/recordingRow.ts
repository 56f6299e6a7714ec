import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema, nameSchema } from '../ground/fields';

/** A note that was spoken at a stop. */
const recordingValueSchema = z.object({
  visitId: idSchema,
  stopKey: nameSchema(160),
  takenAt: momentSchema,
  seconds: z.number().min(0).max(3600),
});

export const recordingEntity = defineEntity({
  name: 'recording',
  label: 'spoken note',
  schema: recordingValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  fixed: ['takenAt', 'seconds'],
  words: { takenAt: 'spoken at', seconds: 'length' },
  addable: false,
});
