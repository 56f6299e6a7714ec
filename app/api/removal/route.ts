import * as z from 'zod';
import { loadRemoval } from '@data/queries/removal';
import { asking } from '@server/asking';
import { handle } from '../handle';
import { requireBody } from '../readBody';

/** Rows that others of the site may name whose page does not hold them. */
const askedSchema = z.object({
  entity: z.enum(['visit', 'site', 'frame', 'finding']),
  ids: z.array(z.uuid()).min(1).max(10_000),
});

/** What follows from a removal: asked before it is done; changes nothing. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const { entity, ids } = await requireBody(request, askedSchema, 'What is to be removed');
    return Response.json(await loadRemoval(asking(), entity, ids));
  });
}
