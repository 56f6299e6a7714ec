'use client';

import { useEffect, useRef, useState } from 'react';
import { aimFor, type Aim } from '@core/method/compare/aim';
import type { Laying } from '@core/method/compare/lay';
import type { Grid } from '@core/ground/grid';
import { pageThreads } from '../../../work/pageThreads';

/** A look is compared no more often than this, so that the picture keeps running. */
const EVERY_MS = 500;
const LIMIT_MS = 20_000;
/** Noise hides a place now and then: only so many looks after each other say that it is another one. */
const MISSES = 3;

/**
 * How what a camera sees now lies on an earlier frame, again and again beside the page.
 *
 * @param earlier - null: nothing is compared
 * @param now - what is seen
 * @returns null while nothing is known; 'elsewhere' where both do not show the same
 */
export function useAim(earlier: Grid | null, now: Grid | null): Aim | 'elsewhere' | null {
  const seen = useRef(now);
  const [aim, setAim] = useState<{ of: Grid; is: Aim | 'elsewhere' } | null>(null);
  useEffect(() => {
    seen.current = now;
  });
  useEffect(() => {
    if (!earlier) return;
    const stop = new AbortController();
    const { signal } = stop;
    let last: Grid | null = null;
    let misses = 0;
    const run = async () => {
      while (!signal.aborted) {
        const look = seen.current;
        if (look && look !== last && !document.hidden) {
          last = look;
          // Without an answer nothing is said of this look; the next one is compared as well.
          const laying = await pageThreads
            .run('compare', { call: async (api): Promise<Laying> => api.lay(earlier, look, []), limitMs: LIMIT_MS, signal })
            .catch(() => null);
          if (signal.aborted || !laying) continue;
          misses = 'laid' in laying ? 0 : misses + 1;
          if ('laid' in laying) setAim({ of: earlier, is: aimFor(laying.laid.h, laying.laid.overlap, earlier, look) });
          else if (misses >= MISSES) setAim({ of: earlier, is: 'elsewhere' });
        }
        await new Promise((resolve) => setTimeout(resolve, EVERY_MS));
      }
    };
    void run();
    return () => stop.abort();
  }, [earlier]);
  return aim?.of === earlier ? aim.is : null;
}
