'use client';

import { useEffect, useState, type RefObject } from 'react';
import type { Size } from './placement';

/** Size of an element's content, CSS pixels; null until it is known. */
export function useSize(element: RefObject<HTMLElement | null>): Size | null {
  const [size, setSize] = useState<Size | null>(null);
  useEffect(() => {
    const target = element.current;
    if (!target) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width: Math.floor(width), height: Math.floor(height) });
    });
    observer.observe(target);
    return () => observer.disconnect();
  }, [element]);
  return size;
}
