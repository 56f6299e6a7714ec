'use client';

import { startTransition, useEffect, useState } from 'react';
import type { PixelStore } from './pixels';

/**
 * Draws anew when pixels arrive. Not as a synchronous store: what arrives only adds, and a page full of frames must not be
 * drawn in one go for each of them.
 */
export function useArrivals(store: PixelStore): void {
  const [, setGeneration] = useState(store.snapshot);
  useEffect(() => {
    const look = () => startTransition(() => setGeneration(store.snapshot()));
    // What came between the first drawing and this moment.
    look();
    return store.subscribe(look);
  }, [store]);
}
