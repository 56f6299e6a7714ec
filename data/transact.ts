import { setTimeout as pause } from 'node:timers/promises';
import { isCollision } from './databaseError';
import type { Connection } from './connection';

/** Tries of a transaction that collided with others. */
const TRIES = 8;
const FIRST_PAUSE_MS = 10;

/**
 * Runs work in one transaction, whole or not at all. When it collides with others (a deadlock, a lock that was waited for
 * too long) nothing was written, and it is tried again after a moment that differs from the others' moments.
 */
export async function transact<T>(db: Connection, work: (tx: Connection) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await db.transaction(work);
    } catch (error) {
      if (!isCollision(error) || attempt === TRIES) throw error;
      await pause(FIRST_PAUSE_MS * 2 ** attempt * (0.5 + Math.random()));
    }
  }
}
