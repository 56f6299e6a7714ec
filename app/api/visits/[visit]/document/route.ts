import { asking } from '@server/asking';
import { loadVisitDocument } from '@data/queries/document';
import { handle, requireId } from '../../../handle';

/** Everything of a visit but its pixels, as it is stored now. */
export async function GET(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () =>
    Response.json(await loadVisitDocument(asking(), requireId((await context.params).visit)), {
      headers: { 'cache-control': 'no-store' },
    }),
  );
}
