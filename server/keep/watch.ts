import { setTimeout as pause } from 'node:timers/promises';
import { withConnection } from './access';
import type { DatabaseServer } from './databaseServer';
import { say } from './say';

/** What is kept up: a process that can be brought back. */
interface Kept {
  ended(): Promise<string>;
  bringBack(): Promise<void>;
}

/** Ended so often within a while, it is not brought back any more. */
const TOO_OFTEN = 12;
const A_WHILE_MS = 120_000;

/**
 * Brings a process back whenever it ends by itself.
 *
 * @param name - what it is, at the beginning of a sentence
 * @returns resolves with a reason when it ended too often to go on
 */
export async function keepUp(name: string, kept: Kept, stopped: () => boolean, onBack: () => void): Promise<string> {
  const ends: number[] = [];
  for (;;) {
    const how = await kept.ended();
    if (stopped()) return new Promise(() => undefined);
    const now = Date.now();
    ends.push(now);
    const recent = ends.filter((at) => now - at < A_WHILE_MS).length;
    if (recent >= TOO_OFTEN) return `${name} ended ${recent} times within two minutes (${how}).`;
    say(`${name} ended by itself (${how}); bringing it back …`);
    try {
      await kept.bringBack();
    } catch {
      // Its end is seen in the next round.
      await pause(500);
      continue;
    }
    if (stopped()) return new Promise(() => undefined);
    onBack();
    say(`${name} is back.`);
  }
}

const LOOK_EVERY_MS = 2000;
const ANSWER_WITHIN_MS = 4000;
/** So many looks without an answer mean that it hangs. */
const PATIENCE = 3;

/** Ends a database that runs but does not answer, so that it can be brought back. Goes on until it is stopped. */
export async function watchDatabase(server: DatabaseServer, stopped: () => boolean): Promise<void> {
  let silent = 0;
  while (!stopped()) {
    await pause(LOOK_EVERY_MS, undefined, { ref: false });
    const { pid } = server;
    const answer = await Promise.race([
      withConnection(server.access, 'root', undefined, (connection) => connection.query('SELECT 1')).then(
        () => true,
        () => false,
      ),
      pause(ANSWER_WITHIN_MS, false, { ref: false }),
    ]);
    silent = answer || pid !== server.pid ? 0 : silent + 1;
    if (silent < PATIENCE || stopped()) continue;
    silent = 0;
    say('The database does not answer; ending it …');
    server.kill();
  }
}
