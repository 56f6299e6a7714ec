import * as z from 'zod';
import { loadVisitChanges } from '@data/queries/document';
import { asking } from '@server/asking';
import { handle, requireId } from '../../../handle';
import { requireQuery } from '../../../readBody';

const querySchema = z.object({ since: z.coerce.number().int().min(0) });

/** What was changed of a visit since it was read. */
export async function GET(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { since } = requireQuery(request, querySchema);
    return Response.json(await loadVisitChanges(asking(), requireId((await context.params).visit), since), {
      headers: { 'cache-control': 'no-store' },
    });
  });
}
