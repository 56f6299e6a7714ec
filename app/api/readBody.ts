import type { z } from 'zod';
import { CoreError } from '@core/errors';

/** A request's JSON, checked. @throws CoreError `bad_input` naming the field */
export async function requireBody<S extends z.ZodType>(request: Request, schema: S, what: string): Promise<z.infer<S>> {
  return requireValid(await request.json().catch(() => null), schema, what);
}

/** A request's query, checked. @throws CoreError `bad_input` naming the field */
export function requireQuery<S extends z.ZodType>(request: Request, schema: S): z.infer<S> {
  return requireValid(Object.fromEntries(new URL(request.url).searchParams), schema, 'The address');
}

function requireValid<S extends z.ZodType>(value: unknown, schema: S, what: string): z.infer<S> {
  const checked = schema.safeParse(value);
  if (checked.success) return checked.data;
  const issue = checked.error.issues[0]!;
  const place = issue.path.filter((part) => part !== 'value').join('.');
  throw new CoreError('bad_input', `${place || what} ${issue.message}.`, { argument: place }, 'Correct the field and try again.');
}

/** The body, as far as the limit allows: a length that was not stated or not true does not fill the memory. */
export async function bodyWithin(request: Request, limit: number, what: string): Promise<Uint8Array> {
  const tooLarge = () =>
    new CoreError(
      'too_large',
      `The file is larger than ${limit / 1024 / 1024} MB, the limit for ${what}.`,
      { range: `up to ${limit} bytes` },
      'Bring a smaller part of it.',
    );
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw tooLarge();
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
