import * as z from 'zod';
import { asking } from '@server/asking';
import { exportFrame } from '@server/exportFrame';
import { attachment, handle, requireId } from '../../../handle';
import { requireQuery } from '../../../readBody';

const querySchema = z.object({
  format: z.enum(['tif', 'npy', 'csv', 'png', 'json', 'picture']),
  colours: z.enum(['steady', 'frame']).default('steady'),
});

/** A frame as a file, for work elsewhere. */
export async function GET(request: Request, context: { params: Promise<{ frame: string }> }): Promise<Response> {
  return handle(request, async () => {
    const id = requireId((await context.params).frame);
    const { format, colours } = requireQuery(request, querySchema);
    const { bytes, mediaType, fileName } = await exportFrame(asking(), id, format, colours);
    return new Response(bytes as Uint8Array<ArrayBuffer>, {
      headers: { 'content-type': mediaType, 'cache-control': 'no-store', ...attachment(fileName) },
    });
  });
}
