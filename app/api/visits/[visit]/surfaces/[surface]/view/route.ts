import { lookSchema } from '@core/method/simulate/capture';
import { asking } from '@server/asking';
import { lookThrough } from '@server/viewfinder';
import { handle, requireId } from '../../../../../handle';
import { requireBody } from '../../../../../readBody';

/** A look at a surface through the stand-in camera: little-endian float32, °C, row by row. */
export async function POST(
  request: Request,
  context: { params: Promise<{ visit: string; surface: string }> },
): Promise<Response> {
  return handle(request, async () => {
    const { visit, surface } = await context.params;
    const look = await requireBody(request, lookSchema, 'The look');
    const values = await lookThrough(asking(), requireId(visit), requireId(surface), look);
    return new Response(values, { headers: { 'content-type': 'application/octet-stream', 'cache-control': 'no-store' } });
  });
}
