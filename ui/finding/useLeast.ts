'use client';

import { LEAST_RANGE_K, USUAL_LEAST_K } from '@core/work/findings/lookAt';
import { useKept } from '../kept';

function parse(kept: string): number | null {
  const value = Number(kept);
  return value >= LEAST_RANGE_K[0] && value <= LEAST_RANGE_K[1] ? value : null;
}

/** Contrast from which a place deserves a look, K. */
export const useLeast = () => useKept('glow-den.least-difference', USUAL_LEAST_K, parse);
