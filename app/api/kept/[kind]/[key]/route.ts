import * as z from 'zod';
import { CoreError } from '@core/ground/errors';
import { KEPT_SCHEMAS, keptSchema, type Kept } from '@core/paper/kept';
import { keepResult, keptResult } from '@data/queries/kept';
import { asking } from '@server/asking';
import { handle } from '../../../handle';
import { requireBody } from '../../../readBody';

interface Context {
  params: Promise<{ kind: string; key: string }>;
}

const keySchema = z.object({
  kind: z.enum(Object.keys(KEPT_SCHEMAS) as [keyof Kept, ...(keyof Kept)[]]),
  key: z.string().regex(/^[0-9a-f]{64}$/),
});

async function placeOf({ params }: Context): Promise<z.infer<typeof keySchema>> {
  const asked = keySchema.safeParse(await params);
  if (!asked.success) throw new CoreError('not_found', 'Nothing is kept under such a name.', {}, 'Reload the page.');
  return asked.data;
}

/** The result that is kept under a key; null where there is none. */
export async function GET(request: Request, context: Context): Promise<Response> {
  return handle(request, async () => {
    const { kind, key } = await placeOf(context);
    return Response.json({ value: await keptResult(asking(), kind, key) });
  });
}

/** Keeps what a page found out. */
export async function PUT(request: Request, context: Context): Promise<Response> {
  return handle(request, async () => {
    const { kind, key } = await placeOf(context);
    const body = await requireBody(request, keptSchema, 'What is to be kept');
    if (body.kind !== kind) throw new CoreError('bad_input', 'It is of another kind than its place.', {}, 'Reload the page.');
    if (body.kind === 'leak') await keepResult(asking(), 'leak', key, body.value);
    else await keepResult(asking(), 'answer', key, body.value);
    return Response.json({});
  });
}
