import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { CoreError } from '@core/ground/errors';
import type { WorkerPool } from './workerPool';

/** A worker that does what the job says, in the protocol of server/workers. */
const WORKER = `
import { parentPort, threadId } from 'node:worker_threads';
parentPort.on('message', async ({ id, job }) => {
  const post = (message) => parentPort.postMessage({ id, ...message });
  if (job.kind === 'wait') await new Promise((resolve) => setTimeout(resolve, job.ms));
  if (job.kind === 'exit') process.exit(3);
  if (job.kind === 'throw') throw new Error('outside of the job');
  if (job.kind === 'crash') return post({ kind: 'crashed', message: 'inside of the job' });
  if (job.kind === 'refuse') return post({ kind: 'refused', error: { code: 'ragged', message: 'Line 3.', where: { line: 3 }, hint: 'Again.' } });
  if (job.kind === 'steps') for (let i = 1; i <= 3; i += 1) {
    if (job.ms) await new Promise((resolve) => setTimeout(resolve, job.ms));
    post({ kind: 'progress', done: i, total: 3 });
  }
  post({ kind: 'result', result: { thread: threadId, echo: job.echo } });
});
`;

interface Job {
  kind: 'echo' | 'wait' | 'exit' | 'throw' | 'crash' | 'refuse' | 'steps';
  ms?: number;
  echo?: string;
}
interface Result {
  thread: number;
  echo: string;
}

const root = mkdtempSync(path.join(tmpdir(), 'den-pool-'));
mkdirSync(path.join(root, '.den', 'bundle'), { recursive: true });
writeFileSync(path.join(root, '.den', 'bundle', 'decode.mjs'), WORKER);
process.env.DEN_ROOT = root;

type Pool = WorkerPool<Job, Result>;

async function pool(size: number, idleMs?: number | null, longestMs?: number): Promise<Pool> {
  const loaded = await import('./workerPool');
  return new loaded.WorkerPool<Job, Result>('decode', size, idleMs, longestMs);
}

const outcome = <T>(promise: Promise<T>) =>
  promise.then(
    (value) => ({ value, error: null }),
    (error: CoreError) => ({ value: null, error }),
  );

describe('a pool of worker threads', () => {
  test('uses a thread again and again', async () => {
    const one = await pool(1);
    const threads = new Set<number>();
    for (let i = 0; i < 5; i += 1) {
      const { thread, echo } = await one.run({ kind: 'echo', echo: String(i) });
      expect(echo).toBe(String(i));
      threads.add(thread);
    }
    expect(threads.size).toBe(1);
  });

  test('runs as many at once as it has threads, the rest wait their turn', async () => {
    const two = await pool(2);
    const results = await Promise.all(
      Array.from({ length: 7 }, (_, i) => two.run({ kind: i % 2 ? 'wait' : 'echo', ms: 20, echo: String(i) })),
    );
    expect(results.map(({ echo }) => echo)).toEqual(['0', '1', '2', '3', '4', '5', '6']);
    expect(new Set(results.map(({ thread }) => thread)).size).toBe(2);
  });

  test('a refusal keeps code, place and remedy across the thread', async () => {
    const { error } = await outcome((await pool(1)).run({ kind: 'refuse' }));
    expect(error!.toJSON()).toEqual({ code: 'ragged', message: 'Line 3.', where: { line: 3 }, hint: 'Again.' });
  });

  test('progress is told as it comes', async () => {
    const seen: string[] = [];
    await (await pool(1)).run({ kind: 'steps' }, { onProgress: (done, total) => seen.push(`${done}/${total}`) });
    expect(seen).toEqual(['1/3', '2/3', '3/3']);
  });

  test('of which nothing is heard is ended and said so; whoever tells how far it is may take as long as it needs', async () => {
    const short = await pool(1, null, 400);
    const { error } = await outcome(short.run({ kind: 'wait', ms: 60_000 }));
    expect(error!.toJSON()).toMatchObject({ code: 'silent', message: 'Nothing was heard of this for 0 s, and it was ended.' });
    // Three times 250 ms are more than 400 ms.
    const { value } = await outcome(short.run({ kind: 'steps', ms: 250, echo: 'whole' }));
    expect(value!.echo).toBe('whole');
  });

  test.each(['exit', 'throw', 'crash'] as const)('a thread that ends by %s fails its job and no other', async (kind) => {
    const one = await pool(1);
    const [bad, good] = await Promise.all([outcome(one.run({ kind })), outcome(one.run({ kind: 'echo', echo: 'after' }))]);
    expect(bad.error!.message).toMatch(/worker ended with 3|outside of the job|inside of the job/);
    expect(good.value!.echo).toBe('after');
  });

  test('cancelling ends a job that runs, at once, and the next one goes on in a new thread', async () => {
    const one = await pool(1);
    const { thread } = await one.run({ kind: 'echo' });
    const abort = new AbortController();
    const running = outcome(one.run({ kind: 'wait', ms: 60_000 }, { signal: abort.signal }));
    const next = one.run({ kind: 'echo', echo: 'next' });
    abort.abort();
    expect((await running).error!.code).toBe('cancelled');
    const after = await next;
    expect(after.echo).toBe('next');
    expect(after.thread).not.toBe(thread);
  });

  test('cancelling takes a waiting job out of the queue', async () => {
    const one = await pool(1);
    const abort = new AbortController();
    const first = one.run({ kind: 'wait', ms: 50, echo: 'first' });
    const waiting = outcome(one.run({ kind: 'echo' }, { signal: abort.signal }));
    abort.abort();
    expect((await waiting).error!.code).toBe('cancelled');
    expect((await first).echo).toBe('first');
    const late = outcome(one.run({ kind: 'echo' }, { signal: abort.signal }));
    expect((await late).error!.code).toBe('cancelled');
  });

  test('a thread that waits too long is ended, and one that is kept for good is not; it can be made before there is work', async () => {
    const echo = (of: Pool) => of.run({ kind: 'echo' }).then(({ thread }) => thread);
    const passing = await pool(1, 10);
    const kept = await pool(1, null);
    kept.warm();
    kept.warm();
    const [first, alsoFirst] = [await echo(passing), await echo(kept)];
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(await echo(passing)).not.toBe(first);
    expect(await echo(kept)).toBe(alsoFirst);
  });
});
