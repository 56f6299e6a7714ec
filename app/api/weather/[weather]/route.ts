import * as z from 'zod';
import { cutWeather } from '@core/method/weather/weather';
import { asking } from '@server/asking';
import { getWeather } from '@data/queries/weather';
import { handle, requireId } from '../../handle';
import { requireQuery } from '../../readBody';

const querySchema = z.object({ from: z.coerce.number().int().optional(), to: z.coerce.number().int().optional() });

/** A stretch of a file's weather, with what the whole file covers. */
export async function GET(request: Request, context: { params: Promise<{ weather: string }> }): Promise<Response> {
  return handle(request, async () => {
    const { from = -Infinity, to = Infinity } = requireQuery(request, querySchema);
    const stored = await getWeather(asking(), requireId((await context.params).weather));
    const { fileName, start, hours } = stored;
    return Response.json({ ...cutWeather(stored, from, to), fileName, covers: { start, count: hours.length } });
  });
}
