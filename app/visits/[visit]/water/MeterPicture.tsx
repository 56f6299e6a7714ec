'use client';

import { useMemo, useRef, type MouseEvent } from 'react';
import type { Grid } from '@core/detect/grid';
import type { HuntValue } from '@core/hunt/huntRow';
import { IDENTITY_LINE } from '@core/radiometry/measurement';
import { ownRange } from '@core/scale/ownRange';
import { orderedScale } from '@core/scale/scale';
import { visitRow } from '@core/visit/theVisit';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { useSize } from '@ui/picture/useSize';
import { useVisit } from '@ui/visit/VisitProvider';
import { pixelAt } from './pixelAt';
import styles from './Water.module.css';

/** A frame with what a moisture meter read at its places; a click chooses one. */
export function MeterPicture({
  surface,
  readings,
  spot,
  onSpot,
}: {
  surface: Grid;
  readings: HuntValue['meter'];
  spot: { x: number; y: number } | null;
  onSpot(spot: { x: number; y: number }): void;
}) {
  const { document } = useVisit();
  const box = useRef<HTMLDivElement>(null);
  const width = useSize(box)?.width ?? 0;
  const zoom = width / surface.width;
  const { colourMap } = visitRow(document).value.span;
  const scale = useMemo(() => {
    const { low, high } = ownRange(surface.values, IDENTITY_LINE);
    return orderedScale(low, high, colourMap);
  }, [surface, colourMap]);
  const click = (event: MouseEvent) => {
    const place = pixelAt(event, box.current, zoom, surface);
    if (place) onSpot(place);
  };
  return (
    <div ref={box} className={styles.picture} style={{ aspectRatio: `${surface.width} / ${surface.height}` }} onClick={click}>
      {width > 0 && (
        <>
          <FrameCanvas
            frame={surface}
            values={surface.values}
            line={IDENTITY_LINE}
            scale={scale}
            stage={{ width, height: surface.height * zoom }}
            placement={{ x: 0, y: 0, zoom }}
            label="The damp place"
          />
          <svg className={styles.marks} width={width} height={surface.height * zoom} aria-hidden>
            {spot && (
              <rect className={styles.spot} x={spot.x * zoom - 4} y={spot.y * zoom - 4} width={zoom + 8} height={zoom + 8} />
            )}
          </svg>
          {readings.map(({ id, x, y, value }) => (
            <b key={id} className={styles.read} style={{ left: (x + 0.5) * zoom, top: (y + 0.5) * zoom }}>
              {value}
            </b>
          ))}
        </>
      )}
    </div>
  );
}
