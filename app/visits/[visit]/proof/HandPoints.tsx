'use client';

import { Button } from 'antd';
import { useRef, useState, type MouseEvent } from 'react';
import type { Grid } from '@core/ground/grid';
import type { PairValue } from '@core/model/pairRow';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import type { Scale } from '@core/method/scale/scale';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { useSize } from '@ui/picture/useSize';
import styles from './Proof.module.css';

interface Props {
  pair: PairValue;
  sides: { before: Grid; after: Grid };
  scale: Scale;
  put(label: string, change: Partial<PairValue>): void;
  onClose(): void;
}

/** The same places marked in both frames: two or more lay one on the other. */
export function HandPoints({ pair, sides, scale, put, onClose }: Props) {
  const [first, setFirst] = useState<[number, number] | null>(null);
  const { points } = pair;
  const add = (after: [number, number]) => {
    if (!first) return;
    put('Point marked in both', { points: [...points, { before: first, after }] });
    setFirst(null);
  };
  const marked = (side: 'before' | 'after') => points.map((point) => point[side]);
  return (
    <>
      <div className={styles.beside}>
        <PointPicture
          name="Before"
          grid={sides.before}
          scale={scale}
          points={first ? [...marked('before'), first] : marked('before')}
          onPoint={points.length < 12 ? setFirst : null}
        />
        <PointPicture name="After" grid={sides.after} scale={scale} points={marked('after')} onPoint={first ? add : null} />
      </div>
      <div className={styles.bar}>
        <span>
          {points.length < 2
            ? `${2 - points.length} more to lay one on the other`
            : `${points.length} points; four or more take perspective in`}
        </span>
        <Button disabled={points.length === 0} onClick={() => put('Last point taken back', { points: points.slice(0, -1) })}>
          Take the last back
        </Button>
        <Button disabled={points.length === 0} onClick={() => put('Points taken back', { points: [] })}>
          Let the computer find it
        </Button>
        <Button type="primary" onClick={onClose}>
          Done
        </Button>
      </div>
    </>
  );
}

function PointPicture({
  name,
  grid,
  scale,
  points,
  onPoint,
}: {
  name: string;
  grid: Grid;
  scale: Scale;
  points: readonly (readonly [number, number])[];
  onPoint: ((at: [number, number]) => void) | null;
}) {
  const box = useRef<HTMLDivElement>(null);
  const width = useSize(box)?.width ?? 0;
  const zoom = width / grid.width;
  const click = (event: MouseEvent) => {
    const rect = box.current?.getBoundingClientRect();
    if (!rect || !onPoint || zoom === 0) return;
    const at = (value: number) => Math.round(10 * (value / zoom - 0.5)) / 10;
    onPoint([at(event.clientX - rect.left), at(event.clientY - rect.top)]);
  };
  return (
    <figure className={styles.one}>
      <div
        ref={box}
        className={styles.stage}
        data-points={onPoint !== null}
        style={{ aspectRatio: `${grid.width} / ${grid.height}` }}
        onClick={click}
      >
        {width > 0 && (
          <FrameCanvas
            frame={grid}
            values={grid.values}
            line={IDENTITY_LINE}
            scale={scale}
            stage={{ width, height: grid.height * zoom }}
            placement={{ x: 0, y: 0, zoom }}
            label={`${name}: ${points.length} points`}
          />
        )}
        {points.map(([x, y], i) => (
          <b key={i} className={styles.point} style={{ left: (x + 0.5) * zoom, top: (y + 0.5) * zoom }}>
            {i + 1}
          </b>
        ))}
        <figcaption>{name}</figcaption>
      </div>
    </figure>
  );
}
