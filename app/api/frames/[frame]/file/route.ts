import { asking } from '@server/asking';
import { getBlob } from '@data/queries/blobs';
import { frameShas } from '@data/queries/files';
import { attachment, handle, immutable, requireId } from '../../../handle';

/** The file as it came, byte for byte. */
export async function GET(request: Request, context: { params: Promise<{ frame: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { fileSha, fileName } = await frameShas(asking(), requireId((await context.params).frame));
    return immutable(() => getBlob(asking().db, fileSha), 'application/octet-stream', fileSha, request, attachment(fileName));
  });
}
