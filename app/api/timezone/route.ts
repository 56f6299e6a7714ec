import timeZoneOf from '@photostructure/tz-lookup';
import * as z from 'zod';
import { latitudeSchema, longitudeSchema } from '@core/method/weather/plan';
import { handle } from '../handle';
import { requireQuery } from '../readBody';

const querySchema = z.object({
  latitude: z.coerce.number().pipe(latitudeSchema),
  longitude: z.coerce.number().pipe(longitudeSchema),
});

/** The time zone at a place, from a table that ships with the application. */
export async function GET(request: Request): Promise<Response> {
  return handle(request, async () => {
    const { latitude, longitude } = requireQuery(request, querySchema);
    return Response.json({ timeZone: timeZoneOf(latitude, longitude) });
  });
}
