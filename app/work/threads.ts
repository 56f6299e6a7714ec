import { CoreError } from '@core/ground/errors';

/** A thread that computes: what can be asked of it, and what it says when it breaks. */
export interface Thread<Api> {
  api: Api;
  /** Tells once when the thread cannot begin or breaks without an answer. */
  onBroken(tell: () => void): void;
  end(): void;
}

export interface Asked<Api, Result> {
  /** @param report - says how far it is, 0 … 1; whatever it is, it says that the thread is alive */
  call(api: Api, report: (share: number) => void): Promise<Result>;
  /** With neither answer nor word for so long it is given up, ms. */
  limitMs: number;
  onShare?(share: number): void;
  signal: AbortSignal;
}

type Openers<Apis> = { [K in keyof Apis]: () => Thread<Apis[K]> };

/**
 * Threads of a page, one of each kind, each doing one piece of work after the other. A thread that is given up, breaks or falls
 * silent is ended, and the next piece begins with a new one; what nobody waits for any more stops at once.
 */
export class Threads<Apis> {
  private readonly idle = new Map<keyof Apis, Thread<unknown>>();
  private readonly turns = new Map<keyof Apis, Promise<unknown>>();

  constructor(private readonly openers: Openers<Apis>) {}

  /**
   * Has something computed.
   *
   * @throws CoreError `cancelled` when its signal says so, `broken` when the thread breaks or throws, `silent` past its limit
   */
  async run<K extends keyof Apis, Result>(kind: K, asked: Asked<Apis[K], Result>): Promise<Result> {
    const before = this.turns.get(kind) ?? Promise.resolve();
    const turn = before.then(() => this.runNow(kind, asked));
    this.turns.set(
      kind,
      turn.catch(() => undefined),
    );
    return turn;
  }

  private runNow<K extends keyof Apis, Result>(
    kind: K,
    { call, limitMs, onShare, signal }: Asked<Apis[K], Result>,
  ): Promise<Result> {
    if (signal.aborted) return Promise.reject(cancelled());
    return new Promise((resolve, reject) => {
      const thread = this.take(kind);
      if (!thread) return reject(broken());
      let over = false;
      let silence: ReturnType<typeof setTimeout>;
      const finish = (kept: boolean, then: () => void) => {
        if (over) return;
        over = true;
        clearTimeout(silence);
        signal.removeEventListener('abort', abort);
        if (kept) this.idle.set(kind, thread);
        else thread.end();
        then();
      };
      const alive = () => {
        clearTimeout(silence);
        silence = setTimeout(() => finish(false, () => reject(silent(limitMs))), limitMs);
      };
      const abort = () => finish(false, () => reject(cancelled()));
      alive();
      signal.addEventListener('abort', abort);
      thread.onBroken(() => finish(false, () => reject(broken())));
      call(thread.api, (share) => {
        if (over) return;
        alive();
        onShare?.(share);
      }).then(
        (result) => finish(true, () => resolve(result)),
        () => finish(false, () => reject(broken())),
      );
    });
  }

  /** The thread that waits for work, else a new one; null where the browser gives none. */
  private take<K extends keyof Apis>(kind: K): Thread<Apis[K]> | null {
    const waits = this.idle.get(kind) as Thread<Apis[K]> | undefined;
    this.idle.delete(kind);
    try {
      return waits ?? this.openers[kind]();
    } catch {
      return null;
    }
  }
}

const cancelled = () => new CoreError('cancelled', 'It was stopped.', {}, 'Begin it again when you want it.');
const broken = () => new CoreError('broken', 'This could not be computed.', {}, 'Try again; if it stays so, reload the page.');
const silent = (ms: number) =>
  new CoreError('silent', `No answer came for ${Math.round(ms / 1000)} s.`, {}, 'Try again; if it stays so, reload the page.');
