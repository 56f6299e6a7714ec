'use client';

import { useMemo, useRef } from 'react';
import { spansOfAll } from '@core/method/frame/region';
import type { Figure } from '@core/paper/figure';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { Marks } from '@ui/picture/Marks';
import { fitPlacement } from '@ui/picture/placement';
import { scaleGradient } from '@ui/picture/ScaleBar';
import { useSize } from '@ui/picture/useSize';
import styles from './FigureView.module.css';

/** A frame with its marks, its scale beneath and the scale's meaning in words. */
export function FigureView({ figure, values, label }: { figure: Figure; values: Float32Array; label: string }) {
  const box = useRef<HTMLDivElement>(null);
  const size = useSize(box);
  const stage = size && { width: size.width, height: Math.round((size.width * figure.height) / figure.width) };
  const placement = stage && fitPlacement(figure, stage);
  const leftOut = useMemo(
    () => spansOfAll(figure.leftOut, figure.width, figure.height),
    [figure.leftOut, figure.width, figure.height],
  );
  return (
    <figure className={styles.figure}>
      <div ref={box} className={styles.picture} style={{ aspectRatio: `${figure.width} / ${figure.height}` }}>
        {stage && placement && (
          <>
            <FrameCanvas
              frame={figure}
              values={values}
              line={figure.line}
              scale={figure.scale}
              leftOut={leftOut}
              stage={stage}
              placement={placement}
              label={label}
            />
            <svg width={stage.width} height={stage.height}>
              <Marks
                marks={figure.marks.map((mark) => ({ ...mark, selected: false }))}
                points={[]}
                placement={placement}
                stage={stage}
                picture={figure}
              />
            </svg>
          </>
        )}
      </div>
      <div className={styles.bar} style={{ background: scaleGradient(figure.scale, 'to right') }} />
      <div className={styles.ends}>
        <span>{figure.scaleEnds.low}</span>
        <span>{figure.scaleEnds.high}</span>
      </div>
      <figcaption>{figure.scaleWords}</figcaption>
    </figure>
  );
}
