import { database } from '@data/connection';
import { getBlob } from '@data/queries/blobs';
import { photoFile } from '@data/queries/files';
import { handle, immutable, requireId } from '../../../handle';

/** The photo as it came. The type is what its content was found to be on import, and browsers may not guess another. */
export async function GET(request: Request, context: { params: Promise<{ photo: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { fileSha, mediaType } = await photoFile(database(), requireId((await context.params).photo));
    return immutable(await getBlob(database(), fileSha), mediaType, fileSha, request);
  });
}
