import { cancelJob, jobState } from '@server/jobs';
import { handle, requireId } from '../../handle';

type Context = { params: Promise<{ job: string }> };

/** How far a task is. */
export async function GET(request: Request, context: Context): Promise<Response> {
  return handle(request, async () =>
    Response.json(jobState(requireId((await context.params).job)), { headers: { 'cache-control': 'no-store' } }),
  );
}

/** Cancels a task. */
export async function DELETE(request: Request, context: Context): Promise<Response> {
  return handle(request, async () => {
    cancelJob(requireId((await context.params).job));
    return Response.json({});
  });
}
