import { handoutSchema } from '@core/paper/handout';
import { startJob } from '@server/jobs';
import { makeHandout } from '@server/makeHandout';
import { handle } from '../handle';
import { requireBody } from '../readBody';

/** Starts making a PDF of plain paperwork; answers with the task's id. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const handout = await requireBody(request, handoutSchema, 'The page');
    return Response.json({ jobId: startJob((signal) => makeHandout(handout, signal)) });
  });
}
