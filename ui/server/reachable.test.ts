import { isLost, patientFetch, subscribeLost, untilBack } from './reachable';

const realFetch = globalThis.fetch;
afterAll(() => (globalThis.fetch = realFetch));

/** Answers in turn: a status, or no answer at all. */
function server(answers: Record<string, (number | 'nothing')[]>) {
  const asked: string[] = [];
  globalThis.fetch = (async (address: string, init: RequestInit = {}) => {
    asked.push(address);
    if (init.signal?.aborted) throw new DOMException('gone', 'AbortError');
    const answer = answers[address]?.shift() ?? 200;
    if (answer === 'nothing') throw new TypeError('no answer');
    return new Response(null, { status: answer });
  }) as typeof fetch;
  return asked;
}

test('what is answered is handed on, whatever it is', async () => {
  server({ '/a': [404] });
  expect((await patientFetch('/a')).status).toBe(404);
  expect(isLost()).toBe(false);
});

test('a busy database is waited for, and the same is sent again', async () => {
  const asked = server({ '/a': [503, 503, 200] });
  expect((await patientFetch('/a')).status).toBe(200);
  expect(asked).toEqual(['/a', '/api/health', '/a', '/api/health', '/a']);
});

test('a server that is away is said to be, until it is back', async () => {
  const told: boolean[] = [];
  const stop = subscribeLost(() => told.push(isLost()));
  server({ '/a': ['nothing', 200], '/api/health': ['nothing', 503, 200] });
  expect((await patientFetch('/a')).status).toBe(200);
  stop();
  expect(told).toEqual([true, false]);
}, 15_000);

test('many that wait ask once', async () => {
  const asked = server({ '/api/health': ['nothing', 200] });
  await Promise.all([untilBack(), untilBack(), untilBack()]);
  expect(asked).toHaveLength(2);
}, 15_000);

test('what is given up is not sent again', async () => {
  server({ '/a': [503] });
  const abort = new AbortController();
  const going = patientFetch('/a', { signal: abort.signal });
  abort.abort();
  await expect(going).rejects.toThrow();
});
