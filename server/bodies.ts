import { Gate } from './gate';

/** So many files are in memory at once, however many are sent: the others wait before a byte of them is read. */
const AT_ONCE = 3;

const shared = globalThis as { denBodies?: Gate };

/** Lets files in, from their first byte until they are stored. */
export function bodies(): Gate {
  shared.denBodies ??= new Gate(AT_ONCE);
  return shared.denBodies;
}
