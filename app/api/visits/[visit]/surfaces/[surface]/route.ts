import { asking } from '@server/asking';
import { loadSimulated } from '@data/queries/house';
import { handle, requireId } from '../../../../handle';

/** One surface as the stand-in camera will find it. */
export async function GET(request: Request, context: { params: Promise<{ visit: string; surface: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { visit, surface } = await context.params;
    return Response.json(await loadSimulated(asking(), requireId(visit), requireId(surface)));
  });
}
