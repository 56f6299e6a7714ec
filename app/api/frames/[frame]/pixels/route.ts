import { asking } from '@server/asking';
import { getBlob } from '@data/queries/blobs';
import { frameShas } from '@data/queries/files';
import { handle, immutable, requireId } from '../../../handle';

/** Decoded pixels: little-endian float32, °C, row by row. */
export async function GET(request: Request, context: { params: Promise<{ frame: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { pixelsSha } = await frameShas(asking(), requireId((await context.params).frame));
    return immutable(() => getBlob(asking().db, pixelsSha), 'application/octet-stream', pixelsSha, request);
  });
}
