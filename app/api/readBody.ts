import { randomUUID } from 'node:crypto';
import { mkdir, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import type * as z from 'zod';
import { CoreError } from '@core/ground/errors';
import { requireRoom } from '@server/room';

/** More than anything that is sent as JSON; what is larger is files. */
const MAX_JSON_BYTES = 1024 * 1024;

/**
 * A request's JSON, checked.
 *
 * @param limit - the most bytes that make sense
 * @throws CoreError `bad_input` naming the field, `too_large`
 */
export async function requireBody<S extends z.ZodType>(
  request: Request,
  schema: S,
  what: string,
  limit = MAX_JSON_BYTES,
): Promise<z.infer<S>> {
  const bytes = await bodyWithin(request, limit, 'what is sent as JSON');
  return requireValid(parsed(Buffer.from(bytes).toString('utf8')), schema, what);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

/** A request's query, checked. @throws CoreError `bad_input` naming the field */
export function requireQuery<S extends z.ZodType>(request: Request, schema: S): z.infer<S> {
  return requireValid(Object.fromEntries(new URL(request.url).searchParams), schema, 'The address');
}

function requireValid<S extends z.ZodType>(value: unknown, schema: S, what: string): z.infer<S> {
  const checked = schema.safeParse(value);
  if (checked.success) return checked.data;
  const issue = checked.error.issues[0]!;
  const place = issue.path.filter((part) => part !== 'value' && part !== 'changes' && typeof part !== 'number').join('.');
  throw new CoreError('bad_input', `${place || what} ${issue.message}.`, { argument: place }, 'Correct the field and try again.');
}

/** The body, as far as the limit allows: a length that was not stated or not true does not fill the memory. */
export async function bodyWithin(request: Request, limit: number, what: string): Promise<Uint8Array> {
  // Of the length that was stated at once: parts and their whole would be there twice.
  let bytes = new Uint8Array(Math.min(limit, statedLength(request)));
  let length = 0;
  for await (const chunk of chunksWithin(request, limit, what)) {
    if (length + chunk.length > bytes.length) {
      const larger = new Uint8Array(Math.min(limit, Math.max(2 * bytes.length, length + chunk.length)));
      larger.set(bytes.subarray(0, length));
      bytes = larger;
    }
    bytes.set(chunk, length);
    length += chunk.length;
  }
  return bytes.subarray(0, length);
}

/**
 * Writes the body to a file of its own that only this user reads, as far as the limit allows.
 *
 * @returns its path; whoever asked removes it
 * @throws CoreError `too_large`, `no_room`
 */
export async function bodyToDisk(request: Request, limit: number, what: string): Promise<string> {
  const data = process.env.DEN_DATA ?? '.den';
  requireRoom(data, statedLength(request));
  const folder = path.join(data, 'uploads');
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const file = path.join(folder, randomUUID());
  try {
    await writeFile(file, chunksWithin(request, limit, what), { flag: 'wx', mode: 0o600 });
    return file;
  } catch (error) {
    await rm(file, { force: true });
    throw error;
  }
}

export function statedLength(request: Request): number {
  const length = Number(request.headers.get('content-length') ?? 0);
  return Number.isInteger(length) && length > 0 ? length : 0;
}

async function* chunksWithin(request: Request, limit: number, what: string): AsyncGenerator<Uint8Array> {
  const tooLarge = () =>
    new CoreError(
      'too_large',
      `This is larger than ${limit / 1024 / 1024} MB, the limit for ${what}.`,
      { range: `up to ${limit} bytes` },
      'Bring a smaller part of it.',
    );
  if (statedLength(request) > limit) throw tooLarge();
  let total = 0;
  for await (const chunk of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    total += chunk.length;
    if (total > limit) throw tooLarge();
    yield chunk;
  }
}
