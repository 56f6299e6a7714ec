import { CoreError } from '@core/errors';
import { MAX_FILE_BYTES } from '@core/visit/limits';
import { idSchema, SIDES } from '@core/visit/rows';
import { database } from '@data/connection';
import { importFile } from '@server/importFile';
import { z } from 'zod';
import { handle, requireId } from '../../../handle';

/** What is said about a file beside its bytes. */
const querySchema = z.object({
  name: z.string().trim().min(1).max(255),
  taken: z.coerce.number().int().min(0).max(8.64e15).optional(),
  room: idSchema.optional(),
  side: z.enum(SIDES).default('inside'),
});

function tooLarge(): CoreError {
  return new CoreError(
    'too_large',
    `The file is larger than ${MAX_FILE_BYTES / 1024 / 1024} MB, the limit for a frame or photo.`,
    { range: `up to ${MAX_FILE_BYTES} bytes` },
    'Crop the picture, or export a single frame.',
  );
}

/** Takes one file: its bytes are the body. Refused before it is read when its length is over the limit. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const checked = querySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!checked.success)
      throw new CoreError(
        'bad_input',
        `The file's ${checked.error.issues[0]!.path.join('.')} is not usable.`,
        {},
        'Rename the file and try again.',
      );
    if (Number(request.headers.get('content-length') ?? 0) > MAX_FILE_BYTES) throw tooLarge();
    const bytes = await bodyWithin(request, MAX_FILE_BYTES);
    const { name, taken, room, side } = checked.data;
    const outcome = await importFile(
      database(),
      visitId,
      { fileName: name, takenAt: new Date(taken ?? Date.now()), bytes, roomId: room ?? null, side },
      request.signal,
    );
    return Response.json(outcome);
  });
}

/** The body, as far as the limit allows: a length that was not stated or not true does not fill the memory. */
async function bodyWithin(request: Request, limit: number): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let total = 0;
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    total += value.length;
    if (total > limit) {
      await reader.cancel();
      throw tooLarge();
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks, total);
}
