'use client';

import { useEffect, useRef, type PointerEvent } from 'react';
import type { RadianceLine } from '@core/method/radiometry/measurement';
import type { Scale } from '@core/method/scale/scale';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { useSize } from '@ui/picture/useSize';
import styles from './SideBySide.module.css';

/** What is in view of all frames: how much larger than whole, and which place is in the middle, in shares of the frame. */
export interface View {
  zoom: number;
  x: number;
  y: number;
}

const MOST_ZOOM = 12;

interface Props {
  frame: { width: number; height: number };
  values: Float32Array;
  line: RadianceLine;
  scale: Scale;
  name: string;
  view: View;
  onView(view: View): void;
  /** The place that is pointed at, in shares of the frame. */
  at: { x: number; y: number } | null;
  onAt(at: { x: number; y: number } | null): void;
}

/** One of several frames that are seen alike: the wheel enlarges all, dragging moves all, pointing reads all. */
export function BesidePicture({ frame, values, line, scale, name, view, onView, at, onAt }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const size = useSize(box);
  const width = size?.width ?? 0;
  const stage = { width, height: Math.round((width * frame.height) / frame.width) };
  const zoom = (view.zoom * width) / frame.width;
  const placement = {
    zoom,
    x: stage.width / 2 - view.x * frame.width * zoom,
    y: stage.height / 2 - view.y * frame.height * zoom,
  };
  const shareAt = (clientX: number, clientY: number) => {
    const { left, top } = box.current!.getBoundingClientRect();
    return {
      x: (clientX - left - placement.x) / (frame.width * zoom),
      y: (clientY - top - placement.y) / (frame.height * zoom),
    };
  };
  const wheel = useRef<(event: WheelEvent) => void>(() => undefined);
  useEffect(() => {
    wheel.current = (event) => {
      event.preventDefault();
      const next = Math.min(MOST_ZOOM, Math.max(1, view.zoom * Math.exp(-event.deltaY / 400)));
      const here = shareAt(event.clientX, event.clientY);
      const kept = view.zoom / next;
      onView(within({ zoom: next, x: here.x + (view.x - here.x) * kept, y: here.y + (view.y - here.y) * kept }));
    };
  });
  useEffect(() => {
    const target = box.current;
    const listen = (event: WheelEvent) => wheel.current(event);
    // The page itself must not scroll meanwhile, which only a listener that is not passive can say.
    target?.addEventListener('wheel', listen, { passive: false });
    return () => target?.removeEventListener('wheel', listen);
  }, []);
  const drag = (event: PointerEvent) => {
    onAt(shareAt(event.clientX, event.clientY));
    if (event.buttons !== 1 || width === 0) return;
    const [dx, dy] = [event.movementX / (frame.width * zoom), event.movementY / (frame.height * zoom)];
    onView(within({ ...view, x: view.x - dx, y: view.y - dy }));
  };
  return (
    <div
      ref={box}
      className={styles.picture}
      style={{ height: stage.height || undefined }}
      onPointerMove={drag}
      onPointerLeave={() => onAt(null)}
    >
      {width > 0 && (
        <FrameCanvas
          frame={frame}
          values={values}
          line={line}
          scale={scale}
          stage={stage}
          placement={placement}
          label={`Thermal frame ${name}`}
        />
      )}
      {at && (
        <i
          className={styles.cross}
          style={{ left: placement.x + at.x * frame.width * zoom, top: placement.y + at.y * frame.height * zoom }}
        />
      )}
    </div>
  );
}

/** Never more empty than needed: the middle stays so far inside that the frame fills the view. */
function within({ zoom, x, y }: View): View {
  const half = 0.5 / zoom;
  const hold = (share: number) => Math.min(1 - half, Math.max(half, share));
  return { zoom, x: hold(x), y: hold(y) };
}
