import { z } from 'zod';
import { CoreError } from '@core/errors';
import { database } from '@data/connection';
import { requireVisit } from '@data/queries/files';
import { startJob } from '@server/jobs';
import { makeReport } from '@server/makeReport';
import { handle, requireId } from '../../../handle';

const bodySchema = z.object({ unit: z.enum(['C', 'F']) });

/** Starts making the PDF; answers with the task's id. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const checked = bodySchema.safeParse(await request.json().catch(() => null));
    if (!checked.success) throw new CoreError('bad_input', 'The unit must be C or F.', { argument: 'unit' }, 'Reload the page.');
    await requireVisit(database(), visitId);
    const jobId = startJob((signal, onProgress) => makeReport(database(), visitId, checked.data.unit, { signal, onProgress }));
    return Response.json({ jobId });
  });
}
