import { MAX_FILE_BYTES } from '@core/visit/limits';
import { idSchema, nameSchema } from '@core/visit/fields';
import { SIDES } from '@core/visit/rows';
import { database } from '@data/connection';
import { importFile } from '@server/importFile';
import { z } from 'zod';
import { handle, requireId } from '../../../handle';
import { bodyWithin, requireQuery } from '../../../readBody';

/** What is said about a file beside its bytes. */
const querySchema = z.object({
  name: z.string().trim().min(1).max(255),
  taken: z.coerce.number().int().min(0).max(8.64e15).optional(),
  room: idSchema.optional(),
  side: z.enum(SIDES).default('inside'),
  surface: idSchema.optional(),
  stop: nameSchema(160).optional(),
  camera: idSchema.optional(),
});

/** Takes one file: its bytes are the body. Refused before it is read when its length is over the limit. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const { name, taken, room, side, surface, stop, camera } = requireQuery(request, querySchema);
    const bytes = await bodyWithin(request, MAX_FILE_BYTES, 'a frame or photo');
    const outcome = await importFile(
      database(),
      visitId,
      {
        fileName: name,
        takenAt: new Date(taken ?? Date.now()),
        bytes,
        roomId: room ?? null,
        side,
        surfaceId: surface ?? null,
        stopKey: stop ?? null,
        cameraId: camera ?? null,
      },
      request.signal,
    );
    return Response.json(outcome);
  });
}
