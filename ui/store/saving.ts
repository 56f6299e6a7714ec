/** Whether everything is stored, and how many steps are not. */
export interface Saving {
  /** `asking`: somebody has to say which of two values to keep. */
  state: 'saved' | 'saving' | 'waiting' | 'asking';
  unsaved: number;
}

export const ALL_SAVED: Saving = { state: 'saved', unsaved: 0 };

/** The same in words. */
export function saveWords({ state, unsaved }: Saving): string {
  switch (state) {
    case 'saved':
      return 'Saved';
    case 'saving':
      return 'Saving …';
    case 'waiting':
      return `${unsaved} ${unsaved === 1 ? 'change waits' : 'changes wait'}, trying again`;
    case 'asking':
      return `${unsaved} ${unsaved === 1 ? 'change waits' : 'changes wait'} for your answer`;
  }
}
