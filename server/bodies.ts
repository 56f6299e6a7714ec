import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { Gate } from './gate';

/** So many files are in memory at once, however many are sent: the others wait before a byte of them is read. */
const AT_ONCE = 2;
/** When no file came for so long, what they took is given back, ms. */
const QUIET_MS = 3000;

const shared = globalThis as { denBodies?: Gate; denQuiet?: NodeJS.Timeout };

/**
 * Lets a file in, from its first byte until it is stored.
 *
 * @throws CoreError `cancelled` when its sender gave up before its turn
 */
export async function withBody<T>(work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
  shared.denBodies ??= new Gate(AT_ONCE);
  clearTimeout(shared.denQuiet);
  try {
    return await shared.denBodies.run(work, signal);
  } finally {
    clearTimeout(shared.denQuiet);
    shared.denQuiet = setTimeout(giveBack, QUIET_MS).unref();
  }
}

/** Bytes of files lie outside of the heap and do not press on it: without being asked it would keep them for minutes. */
function giveBack(): void {
  setFlagsFromString('--expose-gc');
  (runInNewContext('gc') as () => void)();
}
