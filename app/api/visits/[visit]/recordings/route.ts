import { MAX_RECORDING_BYTES, recordingSchema } from '@core/work/round/recording';
import { asking } from '@server/asking';
import { addRecording } from '@data/queries/recordings';
import { handle, requireId } from '../../../handle';
import { bodyWithin, requireQuery } from '../../../readBody';

/** Takes a spoken note; its bytes are the body. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const { id, stop, seconds, type } = requireQuery(request, recordingSchema);
    const bytes = await bodyWithin(request, MAX_RECORDING_BYTES, 'a spoken note');
    await addRecording(asking(), { id, visitId, stopKey: stop, seconds, mediaType: type, takenAt: Date.now() }, bytes);
    return Response.json({ id });
  });
}
