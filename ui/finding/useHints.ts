'use client';

import { useKept } from '../kept';

type Hints = 'on' | 'off';

/** Whether the round says what deserves a look right after a capture; off until somebody wants it. */
export const useHints = () => useKept<Hints>('glow-den.hints', 'off', (kept) => (kept === 'on' ? 'on' : null));
