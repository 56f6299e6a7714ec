import { MAX_FILE_BYTES } from '@core/work/visit/limits';
import { asking } from '@server/asking';
import { withBody } from '@server/bodies';
import { importFile } from '@server/importFile';
import { requireRoom } from '@server/room';
import { handle, requireId } from '../../../handle';
import { fileQuerySchema, takenFor } from '../../../fileQuery';
import { bodyWithin, requireQuery, statedLength } from '../../../readBody';

/** A file, its decoded pixels and what the database needs beside them, in lengths of the file. */
const ROOM_FOR_ONE = 4;

/** Takes one file: its bytes are the body. Refused before it is read when its length is over the limit. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const { name, taken, ...place } = requireQuery(request, fileQuerySchema);
    requireRoom(process.env.DEN_DATA ?? '.den', ROOM_FOR_ONE * statedLength(request));
    const { signal } = request;
    const outcome = await withBody(async () => {
      const bytes = await bodyWithin(request, MAX_FILE_BYTES, 'a frame or photo');
      const file = { fileName: name, takenAt: new Date(taken ?? Date.now()), bytes, ...takenFor(place) };
      return importFile(asking(), visitId, file, signal);
    }, signal);
    return Response.json(outcome);
  });
}
