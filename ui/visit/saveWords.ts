import type { Saving } from './saver';

/** Whether everything is stored, in words. */
export function saveWords({ state, unsaved }: Saving): string {
  switch (state) {
    case 'saved':
      return 'Saved';
    case 'saving':
      return 'Saving …';
    case 'waiting':
      return `${unsaved} ${unsaved === 1 ? 'change waits' : 'changes wait'}, trying again`;
  }
}

/** Several places at once: what waits somewhere waits. */
export function savingOf(all: readonly Saving[]): Saving {
  const states = all.map(({ state }) => state);
  const state = states.includes('waiting') ? 'waiting' : states.includes('saving') ? 'saving' : 'saved';
  return { state, unsaved: all.reduce((sum, { unsaved }) => sum + unsaved, 0) };
}
