'use client';

import { useGesture } from '@use-gesture/react';
import { useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { DrawnShape } from '@core/method/frame/region';
import type { Placement } from '@core/paper/markPath';
import type { Scale } from '@core/method/scale/scale';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { Marks, type Mark, type PointMark } from '@ui/picture/Marks';
import { fitPlacement, held, pixelAt, zoomedAt } from '@ui/picture/placement';
import { useSize } from '@ui/picture/useSize';
import { useUnits } from '@ui/units/UnitProvider';
import { drawn, handleAt, handlesOf, onScreen, regionUnder, shapeFrom, type Grip, type Point } from './grips';
import { lengthWords } from '../lengthWords';
import type { FrameView } from '@core/work/visit/frameView';
import type { View, ViewAction } from '../view';
import styles from './PictureStage.module.css';

interface Props {
  frame: FrameView;
  scale: Scale;
  view: View;
  dispatch(action: ViewAction): void;
  onDraw(shape: DrawnShape): void;
  onReshape(regionId: string, shape: DrawnShape, label: string): void;
  /** A place that was pointed at while pictures are brought in line; pixels of the frame. */
  onPlace(at: Point): void;
  /** Probe values beside the frame. */
  probes: PointMark[];
  label: string;
  /** Laid over the canvas, beneath the marks: the photo. */
  over?: ((placement: Placement) => ReactNode) | undefined;
  /** Drawn over the marks: candidates. */
  candidates?: ((placement: Placement) => ReactNode) | undefined;
}

/** The frame on its stage: zoomed, panned, drawn upon. */
export function PictureStage({
  frame,
  scale,
  view,
  dispatch,
  onDraw,
  onReshape,
  onPlace,
  probes,
  label,
  over,
  candidates,
}: Props) {
  const stageRef = useRef<HTMLDivElement>(null);
  const stage = useSize(stageRef);
  const grip = useRef<Grip | null>(null);
  const [draft, setDraft] = useState<{ regionId: string | null; shape: DrawnShape } | null>(null);
  const size = frame.facts;
  const placement = useMemo(() => {
    if (!stage) return null;
    return view.placement ? held(view.placement, size, stage) : fitPlacement(size, stage);
  }, [stage, view.placement, size]);
  const shapes = frame.regions.map(({ row }) => ({ id: row.id, shape: row.value.shape }));
  const selected = frame.regions.find(({ row }) => row.id === view.selectedId);
  const handled = selected && selected.row.value.shape.kind !== 'beyond' ? selected.row.value.shape : null;

  const local = ([x, y]: [number, number]): Point => {
    const box = stageRef.current!.getBoundingClientRect();
    return { x: x - box.left, y: y - box.top };
  };

  const begin = (at: Point, placed: Placement): Grip => {
    if (view.tool !== 'select') return { kind: 'draw', from: pixelAt(at, placed, size) };
    if (selected && handled) {
      const handle = handleAt(at, handled, placed);
      if (handle !== null) return { kind: 'handle', regionId: selected.row.id, shape: handled, handle };
    }
    const hit = view.matching ? null : regionUnder(at, shapes, placed);
    if (hit && hit.shape.kind !== 'beyond') {
      dispatch({ kind: 'select', regionId: hit.id });
      return { kind: 'move', regionId: hit.id, shape: hit.shape, from: pixelAt(at, placed, size) };
    }
    return { kind: 'pan', placement: placed };
  };

  /** A corner more; near the first one the polygon is closed. */
  const addCorner = (at: Point, placed: Placement) => {
    const { x, y } = pixelAt(at, placed, size);
    const first = view.corners[0];
    const closes = view.corners.length >= 3 && first && Math.hypot(first[0] - x, first[1] - y) * placed.zoom <= 14;
    if (closes) onDraw({ kind: 'poly', points: view.corners });
    else dispatch({ kind: 'corner', at: [x, y] });
  };

  useGesture(
    {
      onDrag: ({ first, last: released, tap, xy, initial, movement: [mx, my], pinching, cancel }) => {
        if (!placement || !stage) return;
        if (pinching) {
          grip.current = null;
          setDraft(null);
          cancel();
          return;
        }
        // A tap comes all at once, neither as a first nor as a last.
        const last = released || tap;
        if (first || (tap && !grip.current)) grip.current = begin(local(initial as [number, number]), placement);
        const now = grip.current;
        if (!now) return;
        const at = local(xy as [number, number]);
        if (last) grip.current = null;
        if (now.kind === 'pan') {
          if (tap && last && view.matching) onPlace(pixelAt(at, placement, size));
          else if (tap && last) dispatch({ kind: 'select', regionId: null });
          else if (!tap) {
            const { x, y } = now.placement;
            dispatch({ kind: 'placement', placement: held({ ...now.placement, x: x + mx, y: y + my }, size, stage) });
          }
          return;
        }
        if (now.kind === 'draw' && view.tool === 'poly') {
          if (last) addCorner(at, placement);
          return;
        }
        const shape = shapeFrom(now, at, view.tool, size, placement);
        if (!last) {
          setDraft(
            shape && !(tap && now.kind !== 'draw') ? { regionId: now.kind === 'draw' ? null : now.regionId, shape } : null,
          );
          return;
        }
        setDraft(null);
        if (!shape) return;
        if (now.kind === 'draw') onDraw(shape);
        else if (!tap) onReshape(now.regionId, shape, now.kind === 'move' ? 'Region moved' : 'Region resized');
      },
      onPinch: ({ origin, delta: [change], offset: [total], event }) => {
        if (!placement || !stage || event.type === 'wheel') return;
        const factor = total / Math.max(1e-3, total - change);
        dispatch({ kind: 'placement', placement: zoomedAt(placement, factor, local(origin as [number, number]), size, stage) });
      },
      onWheel: ({ event, delta: [, dy] }) => {
        if (!placement || !stage || dy === 0) return;
        event.preventDefault();
        const factor = Math.exp(-Math.max(-120, Math.min(120, dy)) / 300);
        dispatch({
          kind: 'placement',
          placement: zoomedAt(placement, factor, local([event.clientX, event.clientY]), size, stage),
        });
      },
    },
    {
      target: stageRef,
      eventOptions: { passive: false },
      drag: { filterTaps: true, pointer: { keys: false } },
      pinch: { scaleBounds: { min: 0.05, max: 100 } },
    },
  );

  const onKeyDown = (event: KeyboardEvent) => {
    if (view.tool === 'select' || !placement) return;
    const step = event.shiftKey ? 10 : 1;
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const cursor = view.cursor ?? { x: Math.floor(size.width / 2), y: Math.floor(size.height / 2) };
    const move = by[event.key];
    if (move) {
      const next = { x: clamp(cursor.x + move[0], 0, size.width - 1), y: clamp(cursor.y + move[1], 0, size.height - 1) };
      dispatch({ kind: 'cursor', cursor: next });
      if (grip.current?.kind === 'draw') {
        const shape = drawn(view.tool, grip.current.from, next);
        setDraft(shape && { regionId: null, shape });
      }
    } else if (event.key === ' ') {
      const from = grip.current?.kind === 'draw' ? grip.current.from : null;
      if (view.tool === 'spot') onDraw({ kind: 'spot', ...cursor });
      else if (view.tool === 'poly') {
        addCorner(onScreen([cursor.x, cursor.y], placement), placement);
        dispatch({ kind: 'cursor', cursor });
      } else if (!from) {
        grip.current = { kind: 'draw', from: cursor };
        dispatch({ kind: 'cursor', cursor });
      } else {
        const shape = drawn(view.tool, from, cursor);
        if (shape) onDraw(shape);
        grip.current = null;
        setDraft(null);
      }
    } else if (event.key === 'Enter' && view.tool === 'poly' && view.corners.length >= 3) {
      onDraw({ kind: 'poly', points: view.corners });
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const { marks, points } = useMarks(frame, view, draft);
  return (
    <div
      ref={stageRef}
      className={styles.stage}
      data-tool={view.matching ? 'match' : view.tool}
      tabIndex={0}
      role="application"
      aria-label="The frame: choose a tool, then drag, or use the arrow keys and Space"
      onKeyDown={onKeyDown}
      onPointerDown={() => stageRef.current?.focus({ preventScroll: true })}
    >
      {stage && placement && (
        <>
          <FrameCanvas
            frame={size}
            values={frame.values}
            line={frame.line}
            scale={scale}
            leftOut={frame.leftOut}
            stage={stage}
            placement={placement}
            label={label}
          />
          {over?.(placement)}
          <svg className={styles.overlay} width={stage.width} height={stage.height}>
            <Marks marks={marks} points={[...points, ...probes]} placement={placement} stage={stage} picture={size} />
            {handled && !draft && view.tool === 'select' && !view.matching && <Handles shape={handled} placement={placement} />}
            {view.corners.length > 0 && <OpenPolygon corners={view.corners} cursor={view.cursor} placement={placement} />}
            {view.matching?.map(
              (point, i) =>
                point.frame && (
                  <Numbered
                    key={i}
                    number={i + 1}
                    at={onScreen([point.frame[0] * size.width - 0.5, point.frame[1] * size.width - 0.5], placement)}
                  />
                ),
            )}
            {candidates?.(placement)}
            {view.cursor && <Cursor at={view.cursor} placement={placement} />}
          </svg>
        </>
      )}
    </div>
  );
}

/** Regions as marks with their numbers, and the extremes of the one that is chosen. */
function useMarks(frame: FrameView, view: View, draft: { regionId: string | null; shape: DrawnShape } | null) {
  const units = useUnits();
  const marks: Mark[] = frame.regions.map(({ row, reading, spans, size }) => {
    const { name, role, shape } = row.value;
    const value =
      role === 'length'
        ? size && 'metres' in size
          ? lengthWords(size.metres)
          : ''
        : reading
          ? units.bareTemperature(reading.statistics.mean)
          : '';
    return {
      id: row.id,
      shape: draft?.regionId === row.id ? draft.shape : shape,
      spans,
      text: `${name} ${value}`.trim(),
      reference: row.id === frame.referenceId,
      selected: row.id === view.selectedId,
    };
  });
  if (draft && draft.regionId === null) {
    marks.push({ id: 'draft', shape: draft.shape, text: draftText(draft.shape), reference: false, selected: true });
  }
  const selected = frame.regions.find(({ row }) => row.id === view.selectedId);
  if (!selected?.reading || selected.row.value.shape.kind === 'spot' || draft) return { marks, points: [] };
  const { min, minAt, max, maxAt } = selected.reading.statistics;
  const points: PointMark[] = [
    { id: 'coldest', ...minAt, text: `coldest ${units.bareTemperature(min)}` },
    { id: 'warmest', ...maxAt, text: `warmest ${units.bareTemperature(max)}` },
  ];
  return { marks, points };
}

function clamp(value: number, min: number, max: number): number {
  return Math.max(min, Math.min(max, value));
}

function draftText(shape: DrawnShape): string {
  switch (shape.kind) {
    case 'box':
      return `${shape.width} × ${shape.height} px`;
    case 'line':
      return `${Math.hypot(shape.x2 - shape.x1, shape.y2 - shape.y1).toFixed(0)} px`;
    default:
      return '';
  }
}

function Handles({ shape, placement }: { shape: DrawnShape; placement: Placement }) {
  return (
    <g aria-hidden="true">
      {handlesOf(shape).map((handle, i) => {
        const { x, y } = onScreen(handle, placement);
        return <rect key={i} className={styles.handle} x={x - 4} y={y - 4} width={8} height={8} rx={2} />;
      })}
    </g>
  );
}

function OpenPolygon({ corners, cursor, placement }: { corners: View['corners']; cursor: View['cursor']; placement: Placement }) {
  const ends = [...corners, ...(cursor ? [[cursor.x, cursor.y] as [number, number]] : [])].map((at) => onScreen(at, placement));
  const path = `M${ends.map(({ x, y }) => `${x} ${y}`).join('L')}`;
  return (
    <g aria-hidden="true">
      <path className={styles.cursorUnder} d={path} />
      <path className={styles.cursorOver} d={path} />
      {ends.map(({ x, y }, i) => (
        <circle key={i} className={styles.handle} cx={x} cy={y} r={i === 0 ? 6 : 4} />
      ))}
    </g>
  );
}

function Numbered({ number, at }: { number: number; at: Point }) {
  return (
    <g aria-hidden="true">
      <circle className={styles.handle} cx={at.x} cy={at.y} r={9} />
      <text className={styles.number} x={at.x} y={at.y + 4}>
        {number}
      </text>
    </g>
  );
}

function Cursor({ at, placement }: { at: Point; placement: Placement }) {
  const { x, y } = onScreen([at.x, at.y], placement);
  const path = `M${x - 14} ${y}h10M${x + 4} ${y}h10M${x} ${y - 14}v10M${x} ${y + 4}v10`;
  return (
    <g aria-hidden="true">
      <path className={styles.cursorUnder} d={path} />
      <path className={styles.cursorOver} d={path} />
    </g>
  );
}
