import type { Answer } from '@core/work/proof/proven';
import { keepFound, once } from './kept';

const ANSWER: Answer = { problem: 'The air is not known.' };
const OTHER: Answer = { problem: 'Found out here.' };

/** A server that keeps what it is given; asked: what was asked of it. */
function keeping(answer?: () => Promise<Response>) {
  const kept = new Map<string, unknown>();
  const asked: string[] = [];
  globalThis.fetch = (async (address: string, { method = 'GET', body }: RequestInit = {}) => {
    asked.push(`${method} ${address}`);
    if (answer) return answer();
    if (method === 'PUT') kept.set(address, (JSON.parse(body as string) as { value: unknown }).value);
    return Response.json({ value: kept.get(address) ?? null });
  }) as typeof fetch;
  return { kept, asked };
}

/** Finds out `OTHER`, and counts how often. */
function finding(whole = true) {
  let times = 0;
  const find = async () => {
    times += 1;
    return { value: OTHER, whole };
  };
  return { find, times: () => times };
}

const real = { fetch: globalThis.fetch, crypto: globalThis.crypto };
afterEach(() => {
  globalThis.fetch = real.fetch;
  Object.defineProperty(globalThis, 'crypto', { value: real.crypto, configurable: true });
});

describe('what is found out once', () => {
  test('is kept under all that it follows from, and only found out again when one of it changes', async () => {
    const { asked } = keeping();
    const { find, times } = finding();
    for (const inputs of ['a', 'a', 'b', 'a']) expect(await once('answer', inputs, find)).toEqual(OTHER);
    expect(times()).toBe(2);
    expect(asked.filter((one) => one.startsWith('PUT'))).toHaveLength(2);
    // SHA-256 of "a" (FIPS 180).
    expect(asked[0]).toBe('GET /api/kept/answer/ca978112ca1bbdcafac231b39a23dc4da786eff8147c4e72b9807785afee48bb');
  });

  test('is taken from where another page kept it', async () => {
    keeping();
    await keepFound('answer', 'a', ANSWER);
    const { find, times } = finding();
    expect(await once('answer', 'a', find)).toEqual(ANSWER);
    expect(times()).toBe(0);
  });

  test('what is good for now only is not kept, and what cannot be found out is null', async () => {
    const { kept } = keeping();
    const { find, times } = finding(false);
    for (const _ of [1, 2]) expect(await once('answer', 'a', find)).toEqual(OTHER);
    expect(times()).toBe(2);
    expect(await once('answer', 'a', async () => null)).toBeNull();
    expect(kept.size).toBe(0);
  });

  test.each([
    ['no server answers', () => Promise.reject(new TypeError('failed'))],
    ['it answers with a page', async () => new Response('<html>')],
    ['what is kept is none of its kind', async () => Response.json({ value: { problem: 7 } })],
  ])('where %s it is found out here', async (_, answer) => {
    keeping(answer);
    const { find, times } = finding();
    expect(await once('answer', 'a', find)).toEqual(OTHER);
    expect(times()).toBe(1);
  });

  test('a browser that cannot hash keeps nothing and asks nobody', async () => {
    const { asked } = keeping();
    Object.defineProperty(globalThis, 'crypto', { value: {}, configurable: true });
    expect(await once('answer', 'a', finding().find)).toEqual(OTHER);
    await keepFound('answer', 'a', ANSWER);
    expect(asked).toEqual([]);
  });
});
