import { requireDatabase } from '@data/connection';
import { handle } from '../handle';

/** Whether the application and its database answer: for ./den, and for pages that wait until they do again. */
export async function GET(request: Request): Promise<Response> {
  return handle(request, async () => {
    await requireDatabase();
    return Response.json({ ok: true }, { headers: { 'cache-control': 'no-store' } });
  });
}
