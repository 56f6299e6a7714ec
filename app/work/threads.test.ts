import { Threads, type Thread } from './threads';

interface Api {
  double(n: number): Promise<number>;
}

/** Threads that do what the test says; which of them were opened and ended is written down. */
function pretended(double: (n: number, opened: number) => Promise<number>) {
  const opened: { tellBroken(): void; ended: boolean }[] = [];
  const threads = new Threads<{ one: Api; other: Api }>({ one: open, other: open });
  function open(): Thread<Api> {
    const at = opened.length;
    const kept = { tellBroken: () => undefined as void, ended: false };
    opened.push(kept);
    return {
      api: { double: (n) => double(n, at) },
      onBroken: (tell) => void (kept.tellBroken = tell),
      end: () => void (kept.ended = true),
    };
  }
  return { threads, opened };
}

const never = () => new Promise<number>(() => undefined);
const asking = (n: number, signal = new AbortController().signal) => ({
  call: (api: Api) => api.double(n),
  limitMs: 1000,
  signal,
});

describe('threads of a page', () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  test('one thread does the work of its kind, piece after piece', async () => {
    const order: string[] = [];
    const { threads, opened } = pretended(async (n) => {
      order.push(`begun ${n}`);
      await Promise.resolve();
      order.push(`done ${n}`);
      return 2 * n;
    });
    expect(await Promise.all([threads.run('one', asking(3)), threads.run('one', asking(4))])).toEqual([6, 8]);
    expect(order).toEqual(['begun 3', 'done 3', 'begun 4', 'done 4']);
    expect(opened).toHaveLength(1);
    await threads.run('other', asking(5));
    expect(opened).toHaveLength(2);
  });

  test.each([
    ['throws', () => Promise.reject(new TypeError('inside'))],
    ['breaks', never],
  ])('one that %s is ended and said; the next piece has a new one', async (how, bad) => {
    const { threads, opened } = pretended((n, at) => (at === 0 ? bad() : Promise.resolve(2 * n)));
    const first = threads.run('one', asking(1));
    const after = threads.run('one', asking(2));
    await Promise.resolve();
    await Promise.resolve();
    if (how === 'breaks') opened[0]!.tellBroken();
    await expect(first).rejects.toMatchObject({ code: 'broken' });
    expect(opened[0]!.ended).toBe(true);
    expect(await after).toBe(4);
    expect(opened).toHaveLength(2);
  });

  test('a browser that gives no thread is told as broken, and asked again the next time', async () => {
    let asked = 0;
    const threads = new Threads<{ one: Api }>({
      one() {
        asked += 1;
        if (asked === 1) throw new DOMException('refused', 'SecurityError');
        return { api: { double: (n) => Promise.resolve(2 * n) }, onBroken: () => undefined, end: () => undefined };
      },
    });
    await expect(threads.run('one', asking(1))).rejects.toMatchObject({ code: 'broken' });
    expect(await threads.run('one', asking(2))).toBe(4);
  });

  test('past its limit without a word it is given up; every word begins the limit anew', async () => {
    const said: number[] = [];
    let report: (share: number) => void = () => undefined;
    const { threads, opened } = pretended(never);
    const told = threads
      .run('one', {
        ...asking(1),
        call: (api, tell) => {
          report = tell;
          return api.double(1);
        },
        onShare: (share) => said.push(share),
      })
      .catch((error: unknown) => error);
    await jest.advanceTimersByTimeAsync(900);
    report(0.5);
    await jest.advanceTimersByTimeAsync(900);
    expect(opened[0]!.ended).toBe(false);
    await jest.advanceTimersByTimeAsync(101);
    expect(opened[0]!.ended).toBe(true);
    expect(await told).toMatchObject({ code: 'silent', message: 'No answer came for 1 s.' });
    // What comes too late concerns nobody.
    report(0.9);
    expect(said).toEqual([0.5]);
  });

  test('what nobody waits for any more stops at once, or is never begun', async () => {
    const { threads, opened } = pretended(never);
    const [stop, stopNext] = [new AbortController(), new AbortController()];
    const running = threads.run('one', asking(1, stop.signal));
    const waiting = threads.run('one', asking(2, stopNext.signal));
    await Promise.resolve();
    stopNext.abort();
    stop.abort();
    await expect(running).rejects.toMatchObject({ code: 'cancelled' });
    await expect(waiting).rejects.toMatchObject({ code: 'cancelled' });
    expect(opened.map(({ ended }) => ended)).toEqual([true]);
  });
});
