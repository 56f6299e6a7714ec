'use client';

import { useEffect, useMemo, useRef } from 'react';
import { isPractice } from '@core/work/visit/practice';
import { useVisitPart } from '@ui/visit/VisitProvider';
import { drawPracticeMark } from './practiceMark';
import type { Span } from '@core/method/frame/region';
import type { RadianceLine } from '@core/method/radiometry/measurement';
import { colourFrame } from '@core/method/scale/colourFrame';
import type { Scale } from '@core/method/scale/scale';
import type { Placement } from '@core/paper/markPath';
import type { Size } from './placement';

/** From this zoom on pixels are shown as squares: what is measured is what is seen. */
const SQUARE_FROM = 4;

interface Props {
  frame: Size;
  values: Float32Array;
  line: RadianceLine;
  scale: Scale;
  /** Pixels that were left out by hand. */
  leftOut?: readonly Span[] | undefined;
  stage: Size;
  placement: Placement;
  /** States the numbers, for those who do not see the picture. */
  label: string;
}

/** Draws a coloured frame; reads what it is given and owns nothing. */
export function FrameCanvas({ frame, values, line, scale, leftOut, stage, placement, label }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const image = useMemo(() => new ImageData(frame.width, frame.height), [frame.width, frame.height]);
  const scratch = useRef<HTMLCanvasElement | null>(null);
  const { low, high, map } = scale;
  const side = scale.shade?.side;
  const shadeC = scale.shade?.celsius;
  const { gain, offset } = line;
  const practice = useVisitPart(({ document }) => isPractice(document));

  useEffect(() => {
    const target = canvas.current;
    const context = target?.getContext('2d');
    if (!target || !context || values.length !== frame.width * frame.height) return;
    const start = performance.now();
    const shade = side === undefined || shadeC === undefined ? null : { side, celsius: shadeC };
    colourFrame(values, frame.width, { gain, offset }, { low, high, map, shade }, new Uint32Array(image.data.buffer), leftOut);
    scratch.current ??= document.createElement('canvas');
    const buffer = scratch.current;
    if (buffer.width !== frame.width || buffer.height !== frame.height) {
      buffer.width = frame.width;
      buffer.height = frame.height;
    }
    buffer.getContext('2d')!.putImageData(image, 0, 0);
    const ratio = window.devicePixelRatio || 1;
    const width = Math.round(stage.width * ratio);
    const height = Math.round(stage.height * ratio);
    if (target.width !== width || target.height !== height) {
      target.width = width;
      target.height = height;
    }
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.clearRect(0, 0, stage.width, stage.height);
    context.imageSmoothingEnabled = placement.zoom < SQUARE_FROM;
    context.imageSmoothingQuality = 'high';
    context.drawImage(buffer, placement.x, placement.y, frame.width * placement.zoom, frame.height * placement.zoom);
    if (practice) drawPracticeMark(context, stage.width, stage.height);
    // Seen by the browser test that holds redraws to their budget.
    performance.clearMeasures('den:redraw');
    performance.measure('den:redraw', { start, end: performance.now() });
  }, [
    frame.width,
    frame.height,
    values,
    gain,
    offset,
    low,
    high,
    map,
    side,
    shadeC,
    leftOut,
    stage.width,
    stage.height,
    placement,
    image,
    practice,
  ]);

  return (
    <canvas ref={canvas} role="img" aria-label={label} style={{ width: stage.width, height: stage.height, display: 'block' }} />
  );
}
