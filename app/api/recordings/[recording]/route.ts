import { asking } from '@server/asking';
import { getBlob } from '@data/queries/blobs';
import { recordingFile } from '@data/queries/recordings';
import { handle, immutable, requireId } from '../../handle';

/** A spoken note, to be listened to. */
export async function GET(request: Request, context: { params: Promise<{ recording: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { fileSha, mediaType } = await recordingFile(asking(), requireId((await context.params).recording));
    return immutable(() => getBlob(asking().db, fileSha), mediaType, fileSha, request);
  });
}
