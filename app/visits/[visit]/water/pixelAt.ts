import type { MouseEvent } from 'react';

/** The pixel of a frame that was clicked; null while nothing is drawn. @param zoom - how large a pixel is drawn */
export function pixelAt(
  event: MouseEvent,
  box: HTMLElement | null,
  zoom: number,
  { width, height }: { width: number; height: number },
): { x: number; y: number } | null {
  const rect = box?.getBoundingClientRect();
  if (!rect || zoom === 0) return null;
  const at = (value: number, most: number) => Math.max(0, Math.min(most - 1, Math.floor(value / zoom)));
  return { x: at(event.clientX - rect.left, width), y: at(event.clientY - rect.top, height) };
}
