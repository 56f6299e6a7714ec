import * as z from 'zod';
import { asking } from '@server/asking';
import { turnFrame } from '@data/queries/turn';
import { handle, requireId } from '../../../handle';
import { requireBody } from '../../../readBody';

const bodySchema = z.object({ turn: z.enum(['left', 'right', 'half', 'mirror']) });

/** Turns or mirrors a frame with all that lies on it. */
export async function POST(request: Request, context: { params: Promise<{ frame: string }> }): Promise<Response> {
  return handle(request, async () => {
    const id = requireId((await context.params).frame);
    const { turn } = await requireBody(request, bodySchema, 'The turn');
    await turnFrame(asking(), id, turn);
    return Response.json({});
  });
}
