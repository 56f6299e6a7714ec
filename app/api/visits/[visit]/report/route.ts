import * as z from 'zod';
import { PAPERS } from '@core/paper/papers';
import { asking } from '@server/asking';
import { requireVisit } from '@data/queries/files';
import { startJob } from '@server/jobs';
import { makeReport } from '@server/makeReport';
import { handle, requireId } from '../../../handle';
import { requireBody } from '../../../readBody';

const bodySchema = z.object({ unit: z.enum(['C', 'F']), paper: z.enum(PAPERS).default('report') });

/** Starts making the PDF of the report or of another paper; answers with the task's id. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const { unit, paper } = await requireBody(request, bodySchema, 'The unit');
    await requireVisit(asking(), visitId);
    const jobId = startJob((signal, onProgress) => makeReport(asking(), visitId, unit, paper, { signal, onProgress }));
    return Response.json({ jobId });
  });
}
