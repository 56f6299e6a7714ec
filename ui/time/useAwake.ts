'use client';

import { useEffect } from 'react';

/** Keeps the screen from going dark while something is waited for; where a browser cannot, it goes dark as always. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const hold = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        const got = await navigator.wakeLock.request('screen');
        if (gone) await got.release();
        else lock = got;
      } catch {
        // Refused, for example on a low battery.
      }
    };
    void hold();
    const onVisible = () => void hold();
    document.addEventListener('visibilitychange', onVisible);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', onVisible);
      void lock?.release();
    };
  }, [wanted]);
}
