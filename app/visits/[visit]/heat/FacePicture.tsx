'use client';

import { useEffect, useRef } from 'react';
import { correctedGrid } from '@core/work/heating/faces';
import type { FaceBox } from '@core/method/heating/faceBox';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { drawValues } from '../viewfinder/drawValues';
import { heatScale } from '@core/work/heating/heatScale';

/** The face of an emitter cut out of its frame, in the colours that all emitters share. */
export function FacePicture({
  frameId,
  box,
  className,
  label,
}: {
  frameId: string;
  box: FaceBox;
  className?: string | undefined;
  label: string;
}) {
  const { document } = useVisit();
  const values = usePixels(frameId)(frameId);
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (!values) return;
    const grid = correctedGrid(document, frameId, values);
    const cut = new Float32Array(box.width * box.height);
    for (let y = 0; y < box.height; y += 1)
      for (let x = 0; x < box.width; x += 1) cut[y * box.width + x] = grid.values[(box.y + y) * grid.width + box.x + x] ?? NaN;
    drawValues(canvas.current, cut, box.width, heatScale(document));
  }, [values, document, frameId, box]);
  return <canvas ref={canvas} width={box.width} height={box.height} className={className} role="img" aria-label={label} />;
}
