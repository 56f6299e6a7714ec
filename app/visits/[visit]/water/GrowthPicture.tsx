'use client';

import { useRef, type MouseEvent } from 'react';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import type { Scale } from '@core/method/scale/scale';
import type { Timelapse } from '@core/method/water/timelapse';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { useSize } from '@ui/picture/useSize';
import { pixelAt } from './pixelAt';
import styles from './Water.module.css';

interface Props {
  found: Timelapse;
  values: Float32Array;
  scale: Scale;
  spot: { x: number; y: number } | null;
  onSpot(spot: { x: number; y: number }): void;
}

/** The view with the circle that holds the leak, or the arrow that points to it; a click asks for the curve of a place. */
export function GrowthPicture({ found, values, scale, spot, onSpot }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const width = useSize(box)?.width ?? 0;
  const frame = found.stack;
  const zoom = width / frame.width;
  const small = (value: number) => ((value - (found.scale - 1) / 2) / found.scale + 0.5) * zoom;
  const click = (event: MouseEvent) => {
    const place = pixelAt(event, box.current, zoom, frame);
    if (place) onSpot(place);
  };
  const { source } = found;
  const [cx, cy] = [(frame.width * zoom) / 2, (frame.height * zoom) / 2];
  const turn = ((source?.direction ?? 0) * Math.PI) / 180;
  return (
    <div ref={box} className={styles.picture} style={{ aspectRatio: `${frame.width} / ${frame.height}` }} onClick={click}>
      {width > 0 && (
        <>
          <FrameCanvas
            frame={frame}
            values={values}
            line={IDENTITY_LINE}
            scale={scale}
            stage={{ width, height: frame.height * zoom }}
            placement={{ x: 0, y: 0, zoom }}
            label={source?.inside ? 'The view; a circle marks where the water comes out' : 'The view'}
          />
          <svg className={styles.marks} width={width} height={frame.height * zoom} aria-hidden>
            {source?.line && (
              <polyline className={styles.run} points={source.line.map(([x, y]) => `${small(x)},${small(y)}`).join(' ')} />
            )}
            {source?.inside && (
              <>
                <circle
                  className={styles.under}
                  cx={small(source.x!)}
                  cy={small(source.y!)}
                  r={(source.radius! / found.scale) * zoom}
                />
                <circle
                  className={styles.circle}
                  cx={small(source.x!)}
                  cy={small(source.y!)}
                  r={(source.radius! / found.scale) * zoom}
                />
              </>
            )}
            {source && !source.inside && (
              <line
                className={styles.run}
                x1={cx + 0.3 * cy * Math.cos(turn)}
                y1={cy + 0.3 * cy * Math.sin(turn)}
                x2={cx + 0.9 * cy * Math.cos(turn)}
                y2={cy + 0.9 * cy * Math.sin(turn)}
              />
            )}
            {found.standing.map((one, i) => (
              <g key={`standing ${i}`}>
                <circle className={styles.standing} cx={small(one.x)} cy={small(one.y)} r={(one.radius / found.scale) * zoom} />
                <text className={styles.other} x={small(one.x)} y={small(one.y)}>
                  {String.fromCharCode(65 + i)}
                </text>
              </g>
            ))}
            {found.others.map(({ x, y }, i) => (
              <text key={i} className={styles.other} x={(x + 0.5) * zoom} y={(y + 0.5) * zoom}>
                {i + 1}
              </text>
            ))}
            {spot && (
              <rect className={styles.spot} x={spot.x * zoom - 4} y={spot.y * zoom - 4} width={zoom + 8} height={zoom + 8} />
            )}
          </svg>
        </>
      )}
    </div>
  );
}
