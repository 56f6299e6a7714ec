import { asking } from '@server/asking';
import { getBlob } from '@data/queries/blobs';
import { frameShas } from '@data/queries/files';
import { handle, immutable, requireId } from '../../../handle';

/** A smaller frame for the film strip, as temperatures, so that it takes the visit's colours. */
export async function GET(request: Request, context: { params: Promise<{ frame: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { thumbSha } = await frameShas(asking(), requireId((await context.params).frame));
    return immutable(() => getBlob(asking().db, thumbSha), 'application/octet-stream', thumbSha, request);
  });
}
