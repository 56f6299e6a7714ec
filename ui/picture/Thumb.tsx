'use client';

import { useEffect, useRef, useSyncExternalStore } from 'react';
import { radianceLine } from '@core/radiometry/measurement';
import { radiometricSettings } from '@core/radiometry/settings';
import { colourFrame } from '@core/scale/colourFrame';
import { anchorFor, settingsFor, steadyScaleFor } from '@core/visit/derive';
import type { Row } from '@core/visit/rows';
import { useVisit } from '@ui/visit/VisitProvider';

/** A frame made small, in the visit's steady colours; fetched when it comes near the view. */
export function Thumb({ frame, className }: { frame: Row<'frame'>; className?: string | undefined }) {
  const { document, thumbs, pixels } = useVisit();
  const canvas = useRef<HTMLCanvasElement>(null);
  useSyncExternalStore(thumbs.subscribe, thumbs.snapshot, () => 0);
  useSyncExternalStore(pixels.subscribe, pixels.snapshot, () => 0);
  const facts = document.frameFacts[frame.id]!;
  const values = thumbs.get(frame.id);
  useEffect(() => {
    const seen = new IntersectionObserver(([entry]) => entry!.isIntersecting && thumbs.want(frame.id), { rootMargin: '400px' });
    seen.observe(canvas.current!);
    return () => seen.disconnect();
  }, [thumbs, frame.id]);

  const anchor = anchorFor(document, frame.id, (id) => pixels.get(id));
  const scale = anchor && steadyScaleFor(document, anchor);
  const line = radianceLine(facts.basis, radiometricSettings(settingsFor(document, frame.id)));
  useEffect(() => {
    const { referenceInsideId, referenceOutsideId } = document.rows.visit[document.visitId]!.value;
    for (const id of [frame.value.referenceId, referenceInsideId, referenceOutsideId]) {
      const region = id ? document.rows.region[id] : undefined;
      if (region) pixels.want(region.value.frameId);
    }
  }, [document, frame, pixels]);

  const { width, height } = facts.thumb;
  const low = scale?.low;
  const high = scale?.high;
  const map = scale?.map;
  const { gain, offset } = line;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !values || low === undefined || high === undefined || !map) return;
    const image = new ImageData(width, height);
    colourFrame(values, width, { gain, offset }, { low, high, map }, new Uint32Array(image.data.buffer));
    context.putImageData(image, 0, 0);
  }, [values, width, height, gain, offset, low, high, map]);
  return <canvas ref={canvas} width={width} height={height} className={className} />;
}
