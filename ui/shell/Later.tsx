'use client';

import { startTransition, useEffect, useState, type ReactNode } from 'react';

/**
 * Drawn after what stands around it, in slices and in the browser only: so that a page with much on it does not come in one
 * piece that holds up the hand. One within another comes after it.
 */
export function Later({ until = null, children }: { until?: ReactNode; children: ReactNode }) {
  const [due, setDue] = useState(false);
  useEffect(() => startTransition(() => setDue(true)), []);
  return due ? children : until;
}
