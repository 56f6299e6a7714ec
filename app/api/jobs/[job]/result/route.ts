import { jobResult } from '@server/jobs';
import { attachment, handle, requireId } from '../../../handle';

/** What a task made. */
export async function GET(request: Request, context: { params: Promise<{ job: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { bytes, fileName, type } = jobResult(requireId((await context.params).job));
    return new Response(bytes as Uint8Array<ArrayBuffer>, {
      headers: { 'content-type': type, 'cache-control': 'no-store', ...attachment(fileName) },
    });
  });
}
