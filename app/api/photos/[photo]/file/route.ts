import { asking } from '@server/asking';
import { PRACTICE_WORD } from '@core/work/visit/practice';
import { getBlob } from '@data/queries/blobs';
import { photoFile } from '@data/queries/files';
import { turnedPhoto } from '@server/turnedPhoto';
import { attachment, handle, immutable, requireId } from '../../../handle';

/** A photo as it is shown, turned as people said; with `original` in the query the file as it came. */
export async function GET(request: Request, context: { params: Promise<{ photo: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { fileSha, mediaType, fileName, quarters, mirrored, practice } = await photoFile(
      asking(),
      requireId((await context.params).photo),
    );
    const load = () => getBlob(asking().db, fileSha);
    if (new URL(request.url).searchParams.has('original')) {
      return immutable(load, mediaType, fileSha, request, attachment(practice ? `${PRACTICE_WORD} ${fileName}` : fileName));
    }
    if (quarters === 0 && !mirrored && !practice) return immutable(load, mediaType, fileSha, request);
    const key = `${fileSha}-${quarters}${mirrored ? 'm' : ''}${practice ? 'p' : ''}`;
    return immutable(() => turnedPhoto(key, load, { quarters, mirrored, practice }), 'image/jpeg', key, request);
  });
}
