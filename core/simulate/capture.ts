import { z } from 'zod';
import { idSchema, momentSchema, nameSchema } from '../rows/fields';

const metres = z.number().min(-100).max(100);

/** Asks the stand-in camera for a picture: the same pose, shot and drift that the viewfinder showed. */
export const captureSchema = z.object({
  frameId: idSchema,
  surfaceId: idSchema,
  stopKey: nameSchema(160),
  name: nameSchema(160),
  pose: z.object({ aim: z.object({ x: metres, y: metres }), distance: z.number().min(0.05).max(100), aside: metres }),
  shot: z.number().int().min(0).max(1e9),
  offset: z.number().min(-20).max(20),
  at: momentSchema,
});

export type Capture = z.infer<typeof captureSchema>;
