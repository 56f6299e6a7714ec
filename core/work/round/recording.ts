import * as z from 'zod';
import { idSchema, nameSchema } from '../../ground/fields';

/** What browsers record speech as. */
export const RECORDING_TYPES = ['audio/webm', 'audio/ogg', 'audio/mp4'] as const;

export const MAX_RECORDING_BYTES = 8 * 1024 * 1024;

/** What is said about a spoken note beside its bytes. */
export const recordingSchema = z.object({
  id: idSchema,
  stop: nameSchema(160),
  seconds: z.coerce.number().min(0).max(3600),
  type: z.enum(RECORDING_TYPES),
});
