import { captureSchema } from '@core/method/simulate/capture';
import { asking } from '@server/asking';
import { captureFrame } from '@server/capture';
import { handle, requireId } from '../../../handle';
import { requireBody } from '../../../readBody';

/** Takes a picture with the stand-in camera. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const capture = await requireBody(request, captureSchema, 'The picture');
    return Response.json(await captureFrame(asking(), visitId, capture));
  });
}
