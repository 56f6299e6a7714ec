'use client';

import { useEffect, useRef } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { colourFrame } from '@core/method/scale/colourFrame';
import { anchorFor, steadyScaleFor } from '@core/work/visit/colours';
import { lineFor } from '@core/work/visit/settingsInForce';
import { isPractice } from '@core/work/visit/practice';
import type { VisitDocument } from '@core/model/document';
import type { Row } from '@core/model/entities';
import { useArrivals } from '@ui/visit/useArrivals';
import { drawPracticeMark } from './practiceMark';
import { useVisitPart, useVisitStore } from '@ui/visit/VisitProvider';

interface Props {
  frame: Row<'frame'>;
  className?: string | undefined;
}

/** A frame made small, in the visit's steady colours; fetched when it comes near the view. */
export function Thumb(props: Props) {
  // What is drawn later than the rest may still hold a frame that was deleted just now.
  const there = useVisitPart(({ document }) => document.rows.frame[props.frame.id] !== undefined);
  return there ? <Picture {...props} /> : null;
}

/** All that a thumbnail's colours follow from: numbers and words, so that it is drawn anew only when it looks different. */
function looksOf(document: VisitDocument, frameId: string, pixels: (id: string) => Float32Array | undefined) {
  const anchor = anchorFor(document, frameId, pixels);
  const scale = anchor && steadyScaleFor(document, frameId, anchor);
  const { gain, offset } = lineFor(document, frameId);
  return {
    low: scale?.low,
    high: scale?.high,
    map: scale?.map,
    side: scale?.shade?.side,
    shadeC: scale?.shade?.celsius,
    gain,
    offset,
  };
}

/** Frames in which the references lie that the colours may be centred on. */
function referenceFrames(document: VisitDocument, frame: Row<'frame'>): string[] {
  const { referenceInsideId, referenceOutsideId } = document.rows.visit[document.visitId]!.value;
  return [frame.value.referenceId, referenceInsideId, referenceOutsideId].flatMap((id) => {
    const region = id ? document.rows.region[id] : undefined;
    return region ? [region.value.frameId] : [];
  });
}

function Picture({ frame, className }: Props) {
  const { thumbs, pixels } = useVisitStore();
  const canvas = useRef<HTMLCanvasElement>(null);
  useArrivals(thumbs);
  useArrivals(pixels);
  const values = thumbs.get(frame.id);
  useEffect(() => {
    const seen = new IntersectionObserver(([entry]) => entry!.isIntersecting && thumbs.want(frame.id), { rootMargin: '400px' });
    seen.observe(canvas.current!);
    return () => seen.disconnect();
  }, [thumbs, frame.id]);

  const references = useVisitPart(useShallow(({ document }) => referenceFrames(document, frame)));
  useEffect(() => {
    for (const id of references) pixels.want(id);
  }, [references, pixels]);

  const practice = useVisitPart(({ document }) => isPractice(document));
  const { width, height } = useVisitPart(({ document }) => document.frameFacts[frame.id]!.thumb);
  const { low, high, map, side, shadeC, gain, offset } = useVisitPart(
    useShallow(({ document }) => looksOf(document, frame.id, (id) => pixels.get(id))),
  );
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !values || low === undefined || high === undefined || !map) return;
    const image = new ImageData(width, height);
    const shade = side === undefined || shadeC === undefined ? null : { side, celsius: shadeC };
    colourFrame(values, width, { gain, offset }, { low, high, map, shade }, new Uint32Array(image.data.buffer));
    context.putImageData(image, 0, 0);
    if (practice) drawPracticeMark(context, width, height);
  }, [values, width, height, gain, offset, low, high, map, side, shadeC, practice]);
  return <canvas ref={canvas} width={width} height={height} className={className} />;
}
