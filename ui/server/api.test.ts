import * as z from 'zod';
import { CoreError } from '@core/ground/errors';
import { getFile, getJson, postAgain, postJson, wordsOf } from './api';

const schema = z.object({ n: z.number() });
const refusal = { error: { code: 'conflict', message: 'It is in use.', where: {}, hint: 'Remove it first.' } };

const before = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = before;
  jest.useRealTimers();
});

/** Answers in order; what is asked is kept. */
function answers(...all: (Response | Error)[]) {
  const asked: { address: string; init: RequestInit | undefined }[] = [];
  globalThis.fetch = (async (address: string, init?: RequestInit) => {
    if (address === '/api/health') return Response.json({});
    asked.push({ address, init });
    const next = all.shift()!;
    if (next instanceof Error) throw next;
    return next;
  }) as typeof fetch;
  return asked;
}

const code = (work: Promise<unknown>) =>
  work.then(
    () => 'answered',
    (error: CoreError) => error.code,
  );

test('an answer is held against its schema', async () => {
  answers(Response.json({ n: 3, more: true }), Response.json({ n: 'three' }));
  expect(await getJson('/api/x', schema)).toEqual({ n: 3 });
  expect(await code(getJson('/api/x', schema))).toBe('malformed');
});

test('what the server refuses is an error of the core, with its words', async () => {
  answers(Response.json(refusal, { status: 409 }));
  const error = await postJson('/api/x', {}, schema).catch((caught: unknown) => caught);
  expect(error).toBeInstanceOf(CoreError);
  expect(wordsOf(error)).toBe('It is in use. Remove it first.');
});

test('an answer that is no JSON is no success', async () => {
  answers(new Response('<html>', { status: 502 }));
  expect(await code(postJson('/api/x', {}, schema))).toBe('malformed');
  expect(wordsOf(new TypeError('x is undefined'))).toBe('Something went wrong. Try again.');
});

test('a file comes with the name that the server gives it, or not at all', async () => {
  const headers = { 'content-disposition': 'attachment; filename="R_ck_seite.pdf"; filename*=UTF-8\'\'R%C3%BCckseite.pdf' };
  answers(new Response('bytes', { headers }), Response.json(refusal, { status: 404 }));
  const { file, name } = await getFile('/api/x');
  expect([name, await file.text()]).toEqual(['Rückseite.pdf', 'bytes']);
  expect(await code(getFile('/api/x'))).toBe('conflict');
});

test('files go as they are, everything else as JSON', async () => {
  const asked = answers(Response.json({ n: 1 }), Response.json({ n: 1 }));
  await postJson('/api/x', { a: 1 }, schema);
  expect(asked[0]!.init).toMatchObject({ method: 'POST', body: '{"a":1}', headers: { 'content-type': 'application/json' } });
  const file = new Blob(['bytes']);
  await postJson('/api/x', file, schema);
  expect(asked[1]!.init!.body).toBe(file);
  expect(asked[1]!.init!.headers).toBeUndefined();
});

test('what is sent once is told when it did not arrive; what may be sent again waits', async () => {
  answers(new TypeError('offline'));
  expect(await code(postJson('/api/x', {}, schema))).toBe('busy');
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setImmediate'] });
  const asked = answers(new TypeError('offline'), Response.json({ n: 4 }));
  const answer = postAgain('/api/y', { id: 'q' }, schema);
  await jest.advanceTimersByTimeAsync(5000);
  expect(await answer).toEqual({ n: 4 });
  expect(asked.map(({ init }) => init!.body)).toEqual(['{"id":"q"}', '{"id":"q"}']);
});

test('giving up is no error of the server', async () => {
  const stop = new AbortController();
  globalThis.fetch = (async () => {
    stop.abort();
    throw new DOMException('gone', 'AbortError');
  }) as typeof fetch;
  await expect(postJson('/api/x', {}, schema, stop.signal)).rejects.toMatchObject({ name: 'AbortError' });
  await expect(getJson('/api/x', schema, stop.signal)).rejects.toMatchObject({ name: 'AbortError' });
});
