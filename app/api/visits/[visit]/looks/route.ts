import * as z from 'zod';
import { LEAST_RANGE_K } from '@core/work/findings/lookAt';
import { requireVisit } from '@data/queries/files';
import { asking } from '@server/asking';
import { startJob } from '@server/jobs';
import { lookThroughVisit } from '@server/lookThroughVisit';
import { handle, requireId } from '../../../handle';
import { requireBody } from '../../../readBody';

const bodySchema = z.object({ least: z.number().min(LEAST_RANGE_K[0]).max(LEAST_RANGE_K[1]) });

/** Starts looking all frames of a visit through; answers with the task's id. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const { least } = await requireBody(request, bodySchema, 'The least difference');
    await requireVisit(asking(), visitId);
    const jobId = startJob((signal, onProgress) => lookThroughVisit(asking(), visitId, least, { signal, onProgress }));
    return Response.json({ jobId });
  });
}
