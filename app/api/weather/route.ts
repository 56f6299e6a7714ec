import * as z from 'zod';
import { MAX_FILE_BYTES } from '@core/work/visit/limits';
import { asking } from '@server/asking';
import { addWeather } from '@data/queries/weather';
import { withBody } from '@server/bodies';
import { readWeatherFile } from '@server/readWeatherFile';
import { handle } from '../handle';
import { bodyWithin, requireQuery } from '../readBody';

const querySchema = z.object({ name: z.string().trim().min(1).max(255) });

/** Takes one weather file: its bytes are the body. Nothing is kept of a file that is refused. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const { name } = requireQuery(request, querySchema);
    const { signal } = request;
    const { weatherId, read } = await withBody(async () => {
      const bytes = await bodyWithin(request, MAX_FILE_BYTES, 'weather');
      const read = await readWeatherFile(bytes, signal);
      return { read, weatherId: await addWeather(asking(), { fileName: name, bytes }, read) };
    }, signal);
    return Response.json({ weatherId, start: read.start, count: read.hours.length, warnings: read.warnings });
  });
}
