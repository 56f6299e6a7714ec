import * as z from 'zod';
import { idSchema, momentSchema, nameSchema } from '../../ground/fields';

const metres = z.number().min(-100).max(100);
const seconds = z.number().min(0).max(1e6);

/** A look through the stand-in camera: where it stands, which picture it is, and its shutter. */
export const lookSchema = z.object({
  pose: z.object({ aim: z.object({ x: metres, y: metres }), distance: z.number().min(0.05).max(100), aside: metres }),
  shot: z.number().int().min(0).max(1e9),
  /** Seconds since the shutter closed last, and when that was after it was switched on. */
  since: seconds,
  closing: seconds,
});

export type Look = z.infer<typeof lookSchema>;

/** Asks the stand-in camera for a picture: the very same that a look showed. */
export const captureSchema = lookSchema.extend({
  frameId: idSchema,
  surfaceId: idSchema,
  stopKey: nameSchema(160),
  name: nameSchema(160),
  at: momentSchema,
});

export type Capture = z.infer<typeof captureSchema>;
