'use client';

import { useGesture } from '@use-gesture/react';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { movedShape, type Shape } from '@core/frame/region';
import type { Scale } from '@core/scale/scale';
import { useUnits } from '@ui/units/UnitProvider';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { Marks, type Mark, type PointMark } from '@ui/picture/Marks';
import { fitPlacement, held, pixelAt, screenBox, zoomedAt, type Placement, type Size } from '@ui/picture/placement';
import { useSize } from '@ui/picture/useSize';
import type { BenchFrame } from './useBenchFrame';
import type { View, ViewAction } from './view';
import styles from './PictureStage.module.css';

interface Props {
  frame: BenchFrame;
  scale: Scale;
  view: View;
  dispatch(action: ViewAction): void;
  onDraw(shape: Shape): void;
  onMove(regionId: string, shape: Shape, label: string): void;
  label: string;
}

type Point = { x: number; y: number };

/** What a drag is doing, decided when it begins. */
type Grip =
  | { kind: 'draw'; from: Point }
  | { kind: 'move'; regionId: string; shape: Shape; from: Point }
  | { kind: 'resize'; regionId: string; shape: Extract<Shape, { kind: 'box' }>; corner: Corner }
  | { kind: 'pan'; placement: Placement };

type Corner = 'nw' | 'ne' | 'sw' | 'se';

const CORNERS: Corner[] = ['nw', 'ne', 'sw', 'se'];
/** Reach of a resizing handle, CSS pixels: large enough for a finger. */
const HANDLE_REACH = 14;
/** Reach around a spot. */
const SPOT_REACH = 12;

/** The frame on its stage: zoomed, panned, drawn upon. */
export function PictureStage({ frame, scale, view, dispatch, onDraw, onMove, label }: Props) {
  const stageRef = useRef<HTMLDivElement>(null);
  const stage = useSize(stageRef);
  const grip = useRef<Grip | null>(null);
  const [draft, setDraft] = useState<{ regionId: string | null; shape: Shape } | null>(null);
  const units = useUnits();
  const size = frame.facts;
  const placement = useMemo(() => {
    if (!stage) return null;
    return view.placement ? held(view.placement, size, stage) : fitPlacement(size, stage);
  }, [stage, view.placement, size]);

  const local = ([x, y]: [number, number]): Point => {
    const box = stageRef.current!.getBoundingClientRect();
    return { x: x - box.left, y: y - box.top };
  };

  const begin = (at: Point, placed: Placement): Grip => {
    const pixel = pixelAt(at, placed, size);
    if (view.tool !== 'select') return { kind: 'draw', from: pixel };
    const selected = frame.regions.find(({ row }) => row.id === view.selectedId)?.row;
    if (selected?.value.shape.kind === 'box') {
      const corner = cornerAt(at, screenBox(selected.value.shape, placed));
      if (corner) return { kind: 'resize', regionId: selected.id, shape: selected.value.shape, corner };
    }
    const hit = regionAt(at, frame, placed);
    if (hit) {
      dispatch({ kind: 'select', regionId: hit.id });
      return { kind: 'move', regionId: hit.id, shape: hit.value.shape, from: pixel };
    }
    return { kind: 'pan', placement: placed };
  };

  useGesture(
    {
      onDrag: ({ first, last, tap, xy, initial, movement: [mx, my], pinching, cancel }) => {
        if (!placement || !stage) return;
        if (pinching) {
          grip.current = null;
          setDraft(null);
          cancel();
          return;
        }
        if (first) grip.current = begin(local(initial as [number, number]), placement);
        const held_ = grip.current;
        if (!held_) return;
        const pixel = pixelAt(local(xy as [number, number]), placement, size);
        if (held_.kind === 'pan') {
          if (tap && last) dispatch({ kind: 'select', regionId: null });
          else if (!tap)
            dispatch({
              kind: 'placement',
              placement: held({ ...held_.placement, x: held_.placement.x + mx, y: held_.placement.y + my }, size, stage),
            });
        } else {
          const shape = shapeOf(held_, pixel, view.tool, size);
          const regionId = held_.kind === 'draw' ? null : held_.regionId;
          if (!last) setDraft(shape && !(tap && held_.kind !== 'draw') ? { regionId, shape } : null);
          else {
            setDraft(null);
            if (held_.kind === 'draw') {
              if (shape) onDraw(shape);
            } else if (!tap && shape) onMove(held_.regionId, shape, held_.kind === 'move' ? 'Region moved' : 'Region resized');
          }
        }
        if (last) grip.current = null;
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
    if (view.tool === 'select' || !stage) return;
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
        const shape = shapeOf(grip.current, next, view.tool, size);
        setDraft(shape && { regionId: null, shape });
      }
    } else if (event.key === ' ') {
      const from = grip.current?.kind === 'draw' ? grip.current : null;
      if (view.tool === 'spot') onDraw({ kind: 'spot', ...cursor });
      else if (!from) {
        grip.current = { kind: 'draw', from: cursor };
        dispatch({ kind: 'cursor', cursor });
      } else {
        const shape = shapeOf(from, cursor, view.tool, size);
        if (shape) onDraw(shape);
        grip.current = null;
        setDraft(null);
      }
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const shapes = frame.regions.map((region) => ({
    ...region,
    shape: draft?.regionId === region.row.id ? draft.shape : region.row.value.shape,
  }));
  const marks: Mark[] = shapes.map(({ row, reading, shape }) => ({
    id: row.id,
    shape,
    text: reading ? `${row.value.name} ${units.bareTemperature(reading.statistics.mean)}` : row.value.name,
    reference: row.id === frame.referenceId,
    selected: row.id === view.selectedId,
  }));
  if (draft && draft.regionId === null)
    marks.push({ id: 'draft', shape: draft.shape, text: draftText(draft.shape), reference: false, selected: true });
  const selected = frame.regions.find(({ row }) => row.id === view.selectedId);
  const points: PointMark[] =
    selected?.reading && selected.row.value.shape.kind === 'box' && !draft
      ? [
          {
            id: 'coldest',
            ...selected.reading.statistics.minAt,
            text: `coldest ${units.bareTemperature(selected.reading.statistics.min)}`,
          },
          {
            id: 'warmest',
            ...selected.reading.statistics.maxAt,
            text: `warmest ${units.bareTemperature(selected.reading.statistics.max)}`,
          },
        ]
      : [];

  return (
    <div
      ref={stageRef}
      className={styles.stage}
      data-tool={view.tool}
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
            stage={stage}
            placement={placement}
            label={label}
          />
          <svg className={styles.overlay} width={stage.width} height={stage.height}>
            <Marks marks={marks} points={points} placement={placement} stage={stage} picture={size} />
            {selected?.row.value.shape.kind === 'box' && !draft && view.tool === 'select' && (
              <Handles box={screenBox(selected.row.value.shape, placement)} />
            )}
            {view.cursor && <Cursor at={view.cursor} placement={placement} />}
          </svg>
        </>
      )}
    </div>
  );
}

function clamp(value: number, min: number, max: number): number {
  return Math.max(min, Math.min(max, value));
}

function draftText(shape: Shape): string {
  return shape.kind === 'box' ? `${shape.width} × ${shape.height} px` : '';
}

function regionAt(at: Point, frame: BenchFrame, placement: Placement) {
  // The smallest one under the pointer: a box inside a box can be reached.
  return frame.regions
    .map(({ row }) => ({ row, box: screenBox(row.value.shape, placement) }))
    .filter(({ row, box }) => {
      const reach = row.value.shape.kind === 'spot' ? SPOT_REACH : 4;
      return (
        at.x >= box.x - reach && at.x <= box.x + box.width + reach && at.y >= box.y - reach && at.y <= box.y + box.height + reach
      );
    })
    .sort((a, b) => a.box.width * a.box.height - b.box.width * b.box.height)[0]?.row;
}

function cornerAt(at: Point, box: { x: number; y: number; width: number; height: number }): Corner | null {
  return (
    CORNERS.find((corner) => {
      const x = corner.endsWith('w') ? box.x : box.x + box.width;
      const y = corner.startsWith('n') ? box.y : box.y + box.height;
      return Math.abs(at.x - x) <= HANDLE_REACH && Math.abs(at.y - y) <= HANDLE_REACH;
    }) ?? null
  );
}

/** The shape that a drag would leave behind; null while it is none yet. */
function shapeOf(grip: Grip, pixel: Point, tool: View['tool'], size: Size): Shape | null {
  switch (grip.kind) {
    case 'draw':
      if (tool === 'spot') return { kind: 'spot', ...pixel };
      return boxBetween(grip.from, pixel);
    case 'move':
      if (grip.shape.kind !== 'spot' && grip.shape.kind !== 'box') return null;
      return movedShape(grip.shape, pixel.x - grip.from.x, pixel.y - grip.from.y, size.width, size.height);
    case 'resize': {
      const { x, y, width, height } = grip.shape;
      const fixed = { x: grip.corner.endsWith('w') ? x + width - 1 : x, y: grip.corner.startsWith('n') ? y + height - 1 : y };
      return boxBetween(fixed, pixel);
    }
    case 'pan':
      return null;
  }
}

function boxBetween(a: Point, b: Point): Shape | null {
  const width = Math.abs(a.x - b.x) + 1;
  const height = Math.abs(a.y - b.y) + 1;
  // A click is no box.
  if (width < 2 || height < 2) return null;
  return { kind: 'box', x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), width, height };
}

function Handles({ box }: { box: { x: number; y: number; width: number; height: number } }) {
  return (
    <g aria-hidden="true">
      {CORNERS.map((corner) => (
        <rect
          key={corner}
          className={styles.handle}
          x={(corner.endsWith('w') ? box.x : box.x + box.width) - 4}
          y={(corner.startsWith('n') ? box.y : box.y + box.height) - 4}
          width={8}
          height={8}
          rx={2}
        />
      ))}
    </g>
  );
}

function Cursor({ at, placement }: { at: Point; placement: Placement }) {
  const x = placement.x + (at.x + 0.5) * placement.zoom;
  const y = placement.y + (at.y + 0.5) * placement.zoom;
  const path = `M${x - 14} ${y}h10M${x + 4} ${y}h10M${x} ${y - 14}v10M${x} ${y + 4}v10`;
  return (
    <g aria-hidden="true">
      <path className={styles.cursorUnder} d={path} />
      <path className={styles.cursorOver} d={path} />
    </g>
  );
}
