'use client';

import { useEffect, useRef } from 'react';
import { colourFrame } from '@core/scale/colourFrame';
import { anchorFor, steadyScaleFor } from '@core/visit/colours';
import { lineFor } from '@core/visit/settingsInForce';
import type { Row } from '@core/entities';
import { useArrivals } from '@ui/visit/useArrivals';
import { useVisit } from '@ui/visit/VisitProvider';

interface Props {
  frame: Row<'frame'>;
  className?: string | undefined;
}

/** A frame made small, in the visit's steady colours; fetched when it comes near the view. */
export function Thumb(props: Props) {
  const { document } = useVisit();
  // What is drawn later than the rest may still hold a frame that was deleted just now.
  return document.rows.frame[props.frame.id] ? <Picture {...props} /> : null;
}

function Picture({ frame, className }: Props) {
  const { document, thumbs, pixels } = useVisit();
  const canvas = useRef<HTMLCanvasElement>(null);
  useArrivals(thumbs);
  useArrivals(pixels);
  const facts = document.frameFacts[frame.id]!;
  const values = thumbs.get(frame.id);
  useEffect(() => {
    const seen = new IntersectionObserver(([entry]) => entry!.isIntersecting && thumbs.want(frame.id), { rootMargin: '400px' });
    seen.observe(canvas.current!);
    return () => seen.disconnect();
  }, [thumbs, frame.id]);

  const anchor = anchorFor(document, frame.id, (id) => pixels.get(id));
  const scale = anchor && steadyScaleFor(document, frame.id, anchor);
  const line = lineFor(document, frame.id);
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
  const side = scale?.shade?.side;
  const shadeC = scale?.shade?.celsius;
  const { gain, offset } = line;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !values || low === undefined || high === undefined || !map) return;
    const image = new ImageData(width, height);
    const shade = side === undefined || shadeC === undefined ? null : { side, celsius: shadeC };
    colourFrame(values, width, { gain, offset }, { low, high, map, shade }, new Uint32Array(image.data.buffer));
    context.putImageData(image, 0, 0);
  }, [values, width, height, gain, offset, low, high, map, side, shadeC]);
  return <canvas ref={canvas} width={width} height={height} className={className} />;
}
