'use client';

import { useMemo } from 'react';
import type { VisitDocument } from '@core/model/document';
import { anchorFor } from '@core/work/visit/colours';
import { frameView, type FrameView } from '@core/work/visit/frameView';

/** @returns null while pixels are on their way */
export function useBenchFrame(
  document: VisitDocument,
  frameId: string | null,
  pixels: (id: string) => Float32Array | undefined,
): FrameView | null {
  const values = frameId === null ? undefined : pixels(frameId);
  const row = frameId === null ? undefined : document.rows.frame[frameId];
  const anchor = row ? anchorFor(document, row.id, pixels) : null;
  const anchorCelsius = anchor?.celsius;
  return useMemo(() => {
    if (!values || !row || !anchor) return null;
    const { width, height } = document.frameFacts[row.id]!;
    return values.length === width * height ? frameView(document, row.id, values, anchor) : null;
    // The anchor is made anew each time; its temperature is what matters.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [document, row, values, anchorCelsius]);
}
