'use client';

import { useDrag } from '@use-gesture/react';
import { useMemo, useRef, useState } from 'react';
import { correctedGrid } from '@core/work/heating/faces';
import type { FloorLoops } from '@core/method/heating/floor';
import type { FaceBox } from '@core/method/heating/faceBox';
import type { FloorTraceValue } from '@core/model/floorTraceRow';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import { ownRange } from '@core/method/scale/ownRange';
import { orderedScale } from '@core/method/scale/scale';
import { visitRow } from '@core/work/visit/theVisit';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { useSize } from '@ui/picture/useSize';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import styles from './EmitterPicture.module.css';
import own from './FloorPicture.module.css';

/** A floor with its box, the runs that were found, and the parts where none shows; the box is drawn anew by dragging. */
export function FloorPicture({
  trace,
  loops,
  onBox,
}: {
  trace: FloorTraceValue;
  loops: FloorLoops | null;
  onBox(box: FaceBox): void;
}) {
  const { document } = useVisit();
  const { frameId } = trace;
  const values = usePixels(frameId)(frameId);
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame) ?? { width: 0, height: 0 };
  const [draft, setDraft] = useState<FaceBox | null>(null);
  const facts = document.frameFacts[frameId]!;
  const grid = useMemo(() => (values ? correctedGrid(document, frameId, values) : null), [document, frameId, values]);
  const zoom = size.width / facts.width;
  const bind = useDrag(
    ({ initial: [x0, y0], xy: [x1, y1], event, last, first }) => {
      const rect = (event.currentTarget as Element | null)?.getBoundingClientRect();
      if (!rect || zoom === 0) return;
      const at = (value: number, from: number, most: number) =>
        Math.max(0, Math.min(most - 1, Math.floor((value - from) / zoom)));
      const [ax, bx] = [at(x0, rect.left, facts.width), at(x1, rect.left, facts.width)];
      const [ay, by] = [at(y0, rect.top, facts.height), at(y1, rect.top, facts.height)];
      const box = { x: Math.min(ax, bx), y: Math.min(ay, by), width: Math.abs(ax - bx) + 1, height: Math.abs(ay - by) + 1 };
      setDraft(last ? null : box);
      if (last && !first && box.width >= 24 && box.height >= 24) onBox(box);
    },
    { pointer: { keys: false } },
  );
  const scale = useMemo(() => {
    if (!grid) return null;
    const { low, high } = ownRange(grid.values, IDENTITY_LINE, null, null);
    return orderedScale(low, high, visitRow(document).value.span.colourMap);
  }, [grid, document]);
  const box = draft ?? trace.box;
  return (
    <div
      ref={frame}
      className={styles.stage}
      style={{ aspectRatio: `${facts.width} / ${facts.height}`, maxWidth: 640 }}
      {...bind()}
    >
      {grid && scale && zoom > 0 && (
        <>
          <FrameCanvas
            frame={facts}
            values={grid.values}
            line={IDENTITY_LINE}
            scale={scale}
            stage={{ width: size.width, height: facts.height * zoom }}
            placement={{ x: 0, y: 0, zoom }}
            label={`Floor: ${loops ? `${loops.runs.length} runs` : 'no runs'}`}
          />
          <svg
            className={styles.marks}
            viewBox={`0 0 ${facts.width} ${facts.height}`}
            width={size.width}
            height={facts.height * zoom}
          >
            <rect className={own.under} x={box.x} y={box.y} width={box.width} height={box.height} />
            <rect className={own.box} x={box.x} y={box.y} width={box.width} height={box.height} />
            {!draft && loops && (
              <>
                <clipPath id={`floor-${frameId}`}>
                  <rect x={box.x} y={box.y} width={box.width} height={box.height} />
                </clipPath>
                <g clipPath={`url(#floor-${frameId})`}>
                  {loops.runs.map((run, k) => (
                    <g
                      key={k}
                      transform={`translate(${box.x + box.width / 2} ${box.y + box.height / 2}) rotate(${loops.angleDeg}) translate(0 ${run.offset})`}
                    >
                      <line className={own.runUnder} x1={-2000} x2={2000} />
                      <line className={own.run} data-cold={run.cold} x1={-2000} x2={2000} />
                    </g>
                  ))}
                </g>
                {loops.gaps.map(({ box: gap }, k) => (
                  <rect key={k} className={own.gap} x={gap.x} y={gap.y} width={gap.width} height={gap.height} />
                ))}
              </>
            )}
          </svg>
        </>
      )}
    </div>
  );
}
