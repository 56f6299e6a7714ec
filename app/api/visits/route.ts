import { newVisitSchema } from '@core/work/visit/newVisit';
import { asking } from '@server/asking';
import { createVisit } from '@data/queries/visits';
import { handle } from '../handle';
import { requireBody } from '../readBody';

/** Begins a visit of a new or a known site. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const { visitId } = await createVisit(asking(), await requireBody(request, newVisitSchema, 'The visit'));
    return Response.json({ visitId });
  });
}
