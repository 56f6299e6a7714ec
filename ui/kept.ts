'use client';

import { useState } from 'react';

function read<T>(key: string, usual: T, parse: (kept: string) => T | null): T {
  try {
    const kept = localStorage.getItem(key);
    return (kept === null ? null : parse(kept)) ?? usual;
  } catch {
    return usual;
  }
}

/**
 * A person's own choice, kept in the browser.
 *
 * @param usual - what holds until something was chosen, and where what is kept cannot be read
 * @param parse - null for what is no choice
 */
export function useKept<T extends string | number>(
  key: string,
  usual: T,
  parse: (kept: string) => T | null,
): [T, (next: T) => void] {
  const [value, setValue] = useState(() => (typeof window === 'undefined' ? usual : read(key, usual, parse)));
  return [
    value,
    (next) => {
      setValue(next);
      try {
        localStorage.setItem(key, String(next));
      } catch {
        // A browser that keeps nothing: the choice holds until the page is left.
      }
    },
  ];
}
