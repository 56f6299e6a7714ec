import { paperSchema } from '@core/report/paper';
import { startJob } from '@server/jobs';
import { makePaper } from '@server/makePaper';
import { handle } from '../handle';
import { requireBody } from '../readBody';

/** Starts making a PDF of plain paperwork; answers with the task's id. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const paper = await requireBody(request, paperSchema, 'The page');
    return Response.json({ jobId: startJob((signal) => makePaper(paper, signal)) });
  });
}
