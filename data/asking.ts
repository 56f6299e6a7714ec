import type { Connection } from './connection';

/** Who asks. There is one for now; accounts will make more of them. */
export interface Actor {
  name: string;
}

/** What every query is asked with: where, and for whom. It comes from one place (server/asking.ts). */
export interface Asking {
  db: Connection;
  actor: Actor;
  /** Reads several things as they were at one moment. */
  snapshot<T>(work: (tx: Connection) => Promise<T>): Promise<T>;
}

/** The same asked within a transaction. */
export function within(asking: Asking, tx: Connection): Asking {
  return { ...asking, db: tx, snapshot: (work) => work(tx) };
}
