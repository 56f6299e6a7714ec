import { MAX_FILE_BYTES } from '@core/visit/limits';
import { database } from '@data/connection';
import { importFile } from '@server/importFile';
import { handle, requireId } from '../../../handle';
import { fileQuerySchema, placeOf } from '../../../fileQuery';
import { bodyWithin, requireQuery } from '../../../readBody';

/** Takes one file: its bytes are the body. Refused before it is read when its length is over the limit. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const { name, taken, ...place } = requireQuery(request, fileQuerySchema);
    const bytes = await bodyWithin(request, MAX_FILE_BYTES, 'a frame or photo');
    const outcome = await importFile(
      database(),
      visitId,
      { fileName: name, takenAt: new Date(taken ?? Date.now()), bytes, ...placeOf(place) },
      request.signal,
    );
    return Response.json(outcome);
  });
}
