import * as z from 'zod';
import { calendarFile } from '@server/calendar';
import { attachment, handle } from '../handle';
import { requireBody } from '../readBody';

const momentSchema = z.number().int().min(0).max(4.1e12);
const bodySchema = z.object({
  name: z.string().trim().min(1).max(160),
  events: z
    .array(
      z
        .object({
          uid: z.string().min(1).max(120),
          from: momentSchema,
          to: momentSchema,
          title: z.string().min(1).max(240),
          description: z.string().max(4000),
          location: z.string().max(240),
        })
        .refine(({ from, to }) => to > from, { path: ['to'], message: 'must be after its begin' }),
    )
    .min(1)
    .max(100),
});

/** Slots as an iCalendar file. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const { name, events } = await requireBody(request, bodySchema, 'The calendar');
    return new Response(calendarFile(events), {
      headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'no-store', ...attachment(`${name}.ics`) },
    });
  });
}
