import * as z from 'zod';
import type { CoreError } from '@core/ground/errors';
import { bodyWithin, requireBody, requireQuery } from './readBody';

const schema = z.object({ name: z.string().min(1, 'must not be empty'), count: z.coerce.number().int() });
const post = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/x', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);
const refusal = (run: Promise<unknown>) =>
  run.then(
    () => null,
    (error: CoreError) => error,
  );

/** A body of unknown length, in pieces; tells how many were taken. */
function pieces(count: number, size: number) {
  let taken = 0;
  const stream = new ReadableStream<Uint8Array>({
    pull(controller) {
      if (taken === count) return controller.close();
      taken += 1;
      controller.enqueue(new Uint8Array(size));
    },
  });
  return { stream, taken: () => taken };
}

describe('what a request says', () => {
  test('is taken when it fits', async () => {
    expect(await requireBody(post('{"name":"a","count":2}'), schema, 'It')).toEqual({ name: 'a', count: 2 });
    expect(requireQuery(new Request('http://127.0.0.1/x?name=a&count=7'), schema)).toEqual({ name: 'a', count: 7 });
  });

  test('is refused by the name of the field', async () => {
    expect(await refusal(requireBody(post('{"name":"","count":2}'), schema, 'It'))).toMatchObject({
      code: 'bad_input',
      message: 'name must not be empty.',
      where: { argument: 'name' },
    });
  });

  test('that is no JSON is refused as a whole', async () => {
    expect(await refusal(requireBody(post('<xml/>'), schema, 'The visit'))).toMatchObject({ code: 'bad_input' });
    expect(((await refusal(requireBody(post(''), schema, 'The visit'))) as CoreError).message).toMatch(/^The visit /);
  });
});

describe('a body', () => {
  test('within the limit is taken whole', async () => {
    expect(await bodyWithin(post(new Uint8Array([1, 2, 3])), 3, 'a test')).toEqual(Buffer.from([1, 2, 3]));
    expect(await bodyWithin(new Request('http://127.0.0.1/x'), 3, 'a test')).toHaveLength(0);
  });

  test('that says it is too long is refused before a byte is read', async () => {
    const { stream, taken } = pieces(10, 1);
    const error = await refusal(bodyWithin(post(stream, { 'content-length': '5000000' }), 1_048_576, 'a test'));
    expect(error).toMatchObject({ code: 'too_large', message: 'This is larger than 1 MB, the limit for a test.' });
    expect(taken()).toBeLessThanOrEqual(1);
  });

  test('that does not say its length is cut off at the limit', async () => {
    const { stream, taken } = pieces(1000, 1024);
    expect(await refusal(bodyWithin(post(stream), 4096, 'a test'))).toMatchObject({ code: 'too_large' });
    expect(taken()).toBeLessThan(10);
  });
});
