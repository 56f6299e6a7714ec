'use client';

import { useMemo, useRef, type MouseEvent, type ReactNode } from 'react';
import type { Grid } from '@core/ground/grid';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import { ownRange } from '@core/method/scale/ownRange';
import { orderedScale } from '@core/method/scale/scale';
import { visitRow } from '@core/work/visit/theVisit';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { useSize } from '@ui/picture/useSize';
import { useVisit } from '@ui/visit/VisitProvider';
import { pixelAt } from './pixelAt';
import styles from './Water.module.css';

/** A frame on which places are clicked. @param children - what is drawn over it, given how large a pixel is */
export function PlacePicture({
  surface,
  label,
  onPlace,
  children,
}: {
  surface: Grid;
  label: string;
  onPlace(place: { x: number; y: number }): void;
  children(zoom: number): ReactNode;
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
    if (place) onPlace(place);
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
            label={label}
          />
          {children(zoom)}
        </>
      )}
    </div>
  );
}
