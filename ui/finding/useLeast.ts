'use client';

import { useState } from 'react';
import { USUAL_LEAST_K } from '@core/candidates/lookAt';

const KEY = 'glow-den.least-difference';

function kept(): number {
  try {
    const value = Number(localStorage.getItem(KEY));
    return value >= 0.05 && value <= 50 ? value : USUAL_LEAST_K;
  } catch {
    return USUAL_LEAST_K;
  }
}

/** Contrast from which a place deserves a look, K: each person's own choice, kept in the browser. */
export function useLeast(): [number, (least: number) => void] {
  const [least, setLeast] = useState(() => (typeof window === 'undefined' ? USUAL_LEAST_K : kept()));
  return [
    least,
    (next) => {
      setLeast(next);
      try {
        localStorage.setItem(KEY, String(next));
      } catch {
        // A browser that keeps nothing: the choice holds until the page is left.
      }
    },
  ];
}
