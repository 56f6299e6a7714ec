import * as z from 'zod';
import { standInWeather } from '@core/method/weather/standIn';
import { latitudeSchema, longitudeSchema } from '@core/method/weather/plan';
import { handle } from '../../handle';
import { requireQuery } from '../../readBody';

const LONGEST_H = 31 * 24;

const querySchema = z.object({
  latitude: z.coerce.number().pipe(latitudeSchema),
  longitude: z.coerce.number().pipe(longitudeSchema),
  from: z.coerce.number().int().min(0).max(4.1e12),
  hours: z.coerce.number().int().min(1).max(LONGEST_H),
});

/** Weather of made-up houses: made up here, and it says so. Nothing real is ever judged by it. */
export async function GET(request: Request): Promise<Response> {
  return handle(request, async () => {
    const { latitude, longitude, from, hours } = requireQuery(request, querySchema);
    return Response.json({ ...standInWeather(latitude, longitude, from, hours), simulated: true });
  });
}
