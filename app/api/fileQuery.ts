import * as z from 'zod';
import { basisSchema } from '@core/ground/basis';
import { SIDES } from '@core/ground/side';
import { idSchema, momentSchema, nameSchema } from '@core/ground/fields';

/** What is said about files beside their bytes. */
export const fileQuerySchema = z.object({
  name: z.string().trim().min(1).max(255),
  /** A moment that cannot be says nothing: files of broken clocks are taken in all the same. */
  taken: z.coerce.number().pipe(momentSchema).optional().catch(undefined),
  room: idSchema.optional(),
  side: z.enum(SIDES).default('inside'),
  surface: idSchema.optional(),
  stop: nameSchema(160).optional(),
  camera: idSchema.optional(),
  /** Pixels without a value are allowed, up to 1 %. */
  missing: z.literal('allow').optional(),
  /** JSON: what the values are, when a camera already computed them. */
  basis: z
    .string()
    .max(2000)
    .transform((text, context) => {
      try {
        return JSON.parse(text) as unknown;
      } catch {
        context.addIssue({ code: 'custom', message: 'must be JSON' });
        return z.NEVER;
      }
    })
    .pipe(basisSchema)
    .optional(),
});

/** Where files belong and how they are read, from the query. */
export function takenFor(query: Omit<z.infer<typeof fileQuerySchema>, 'name' | 'taken'>) {
  const { room, side, surface, stop, camera, missing, basis } = query;
  return {
    roomId: room ?? null,
    side,
    surfaceId: surface ?? null,
    stopKey: stop ?? null,
    cameraId: camera ?? null,
    allowMissing: missing === 'allow',
    basis,
  };
}
