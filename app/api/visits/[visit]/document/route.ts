import { packedVisit } from '@server/packedVisit';
import { handle, requireId } from '../../../handle';

/** Everything of a visit but its pixels, as it is stored now, packed. */
export async function GET(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const document = await packedVisit(requireId((await context.params).visit));
    return new Response(document, { headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } });
  });
}
