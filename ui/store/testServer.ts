import type { Change, Command, Stale } from '@core/model/command';
import type { Entity, Row } from '@core/model/entities';

type Reply = { status: number; body: unknown } | 'offline';

/** A server as pages see it: rows with versions, commands once, conflicts with what is stored. For tests. */
export class TestServer {
  readonly rows = new Map<string, { entity: Entity; row: Row<Entity> }>();
  readonly sent: Command[] = [];
  /** What comes instead of an answer, in order. `lost`: it is carried out, and the answer never arrives. */
  failures: (Reply | 'lost')[] = [];
  /** Versions go on where a row comes back. */
  private readonly last = new Map<string, number>();
  private readonly answered = new Map<string, Reply>();
  private readonly before = globalThis.fetch;

  start(): void {
    globalThis.fetch = (async (address: string, init?: { body: string }) => {
      if (address === '/api/health') return { ok: true } as Response;
      const reply = this.receive(JSON.parse(init!.body) as Command);
      await Promise.resolve();
      if (reply === 'offline') throw new TypeError('offline');
      return { ok: reply.status === 200, status: reply.status, json: async () => reply.body } as Response;
    }) as typeof fetch;
  }

  stop(): void {
    globalThis.fetch = this.before;
  }

  put(entity: Entity, row: Row<Entity>): void {
    this.rows.set(row.id, { entity, row: structuredClone(row) });
    this.last.set(row.id, row.version);
  }

  private receive(command: Command): Reply {
    this.sent.push(command);
    const failure = this.failures.shift();
    if (failure && failure !== 'lost') return failure;
    const reply = this.answered.get(command.id) ?? this.carryOut(command);
    this.answered.set(command.id, reply);
    return failure === 'lost' ? 'offline' : reply;
  }

  private carryOut({ changes }: Command): Reply {
    const stale = changes.flatMap(({ entity, rowId, version }): Stale[] => {
      const stored = this.rows.get(rowId)?.row ?? null;
      return (stored?.version ?? 0) === version ? [] : [{ entity, rowId, stored }];
    });
    if (stale.length > 0) return { status: 409, body: { error: { code: 'stale', message: 'm', where: {}, hint: '' }, stale } };
    return { status: 200, body: { versions: Object.fromEntries(changes.map((change) => [change.rowId, this.store(change)])) } };
  }

  private store(change: Change): number {
    if (change.action === 'remove') {
      this.rows.delete(change.rowId);
      return 0;
    }
    const row = { id: change.rowId, version: (this.last.get(change.rowId) ?? 0) + 1, value: change.value };
    this.put(change.entity, row);
    return row.version;
  }
}
