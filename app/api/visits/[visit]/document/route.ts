import { packDocument } from '@core/packedDocument';
import { asking } from '@server/asking';
import { loadVisitDocument } from '@data/queries/document';
import { handle, requireId } from '../../../handle';

/** Everything of a visit but its pixels, as it is stored now, packed. */
export async function GET(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () =>
    Response.json(packDocument(await loadVisitDocument(asking(), requireId((await context.params).visit))), {
      headers: { 'cache-control': 'no-store' },
    }),
  );
}
