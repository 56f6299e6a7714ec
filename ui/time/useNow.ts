'use client';

import { useSyncExternalStore } from 'react';

const MINUTE = 60_000;

/**
 * The current moment.
 *
 * @param stepMs - how finely; it is drawn anew that often
 */
export function useNow(stepMs = MINUTE): number {
  return useSyncExternalStore(
    (listener) => {
      const timer = setInterval(listener, stepMs);
      return () => clearInterval(timer);
    },
    () => Math.floor(Date.now() / stepMs) * stepMs,
    () => 0,
  );
}
