import type * as z from 'zod';
import { CoreError, type CoreErrorData } from '@core/ground/errors';
import { patientFetch } from './reachable';

/** What the server said instead of an answer, as one of the core's errors. */
async function refusal(response: Response): Promise<CoreError> {
  const body = (await response.json().catch(() => null)) as { error?: CoreErrorData } | null;
  if (body?.error) return CoreError.fromJSON(body.error);
  return new CoreError('malformed', `The server answered ${response.status}.`, {}, 'Try again.');
}

async function answer<S extends z.ZodType>(response: Response, schema: S): Promise<z.infer<S>> {
  if (!response.ok) throw await refusal(response);
  const checked = schema.safeParse(await response.json());
  if (checked.success) return checked.data;
  throw new CoreError('malformed', 'The server answered something else than was asked.', {}, 'Reload the page.');
}

/**
 * Asks for something that may be asked for again: while the server is away it waits.
 *
 * @throws CoreError as the server refuses; the abort of its signal
 */
export async function getJson<S extends z.ZodType>(address: string, schema: S, signal?: AbortSignal): Promise<z.infer<S>> {
  return answer(await patientFetch(address, signal ? { signal } : {}), schema);
}

/**
 * Sends something that is named by an id of its own and so may be sent again: while the server is away it waits.
 *
 * @throws CoreError as the server refuses
 */
export async function postAgain<S extends z.ZodType>(address: string, body: unknown, schema: S): Promise<z.infer<S>> {
  return answer(await patientFetch(address, { method: 'POST', ...bodyOf(body) }), schema);
}

/**
 * Asks for numbers by a question that may be asked again: while the server is away it waits.
 *
 * @returns the floats of the answer
 * @throws CoreError as the server refuses; the abort of its signal
 */
export async function postForFloats(address: string, body: unknown, signal: AbortSignal): Promise<Float32Array> {
  const response = await patientFetch(address, { method: 'POST', signal, ...bodyOf(body) });
  if (!response.ok) throw await refusal(response);
  return new Float32Array(await response.arrayBuffer());
}

/**
 * Asks for a file that may be asked for again: while the server is away it waits.
 *
 * @returns the file with the name that the server gives it
 * @throws CoreError as the server refuses
 */
export async function getFile(address: string): Promise<{ file: Blob; name: string }> {
  const response = await patientFetch(address);
  if (!response.ok) throw await refusal(response);
  const name = /filename\*=UTF-8''([^;]+)/.exec(response.headers.get('content-disposition') ?? '')?.[1];
  return { file: await response.blob(), name: decodeURIComponent(name ?? 'file') };
}

/** A file as it is, anything else as JSON. */
function bodyOf(body: unknown): RequestInit {
  return body instanceof Blob ? { body } : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
}

/**
 * Sends something once.
 *
 * @throws CoreError as the server refuses, and when it cannot be reached; the abort of its signal
 */
export async function postJson<S extends z.ZodType>(
  address: string,
  body: unknown,
  schema: S,
  signal?: AbortSignal,
): Promise<z.infer<S>> {
  const response = await fetch(address, { method: 'POST', ...(signal && { signal }), ...bodyOf(body) }).catch(
    (error: unknown) => {
      if (signal?.aborted) throw error;
      throw new CoreError('busy', 'The connection was lost; nothing was kept.', {}, 'Try again.');
    },
  );
  return answer(response, schema);
}

/** What somebody is told when something could not be done. */
export function wordsOf(error: unknown): string {
  return error instanceof CoreError ? `${error.message} ${error.hint}` : 'Something went wrong. Try again.';
}
