'use client';

import { useEffect, useRef } from 'react';
import type { EarlierStop } from '@core/model/document';
import type { SteadySpan } from '@core/method/scale/scale';
import { usePixels } from '@ui/visit/VisitProvider';
import { drawValues } from './drawValues';

/** The frame of the last visit at this stop, to aim by. */
export function LastTime({
  frame: { id, width, height, meanC },
  span,
  className,
}: {
  frame: NonNullable<EarlierStop['frame']>;
  span: SteadySpan;
  className: string | undefined;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const values = usePixels(id)(id);
  useEffect(() => {
    if (values) drawValues(canvas.current, values, width, { low: meanC - span.belowK, high: meanC + span.aboveK, map: 'ash' });
  }, [values, width, meanC, span.belowK, span.aboveK]);
  return (
    <canvas ref={canvas} width={width} height={height} className={className} aria-label="The same stop last time" role="img" />
  );
}
