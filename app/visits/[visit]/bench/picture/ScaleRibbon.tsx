'use client';

import { Tooltip } from 'antd';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { temperatureHistogram } from '@core/method/scale/histogram';
import { LEAST_SPAN_K, type Scale } from '@core/method/scale/scale';
import { scaleGradient } from '@ui/picture/ScaleBar';
import { useSize } from '@ui/picture/useSize';
import { useUnits } from '@ui/units/UnitProvider';
import type { FrameView } from '@core/work/visit/frameView';
import type { View } from '../view';
import styles from './ScaleRibbon.module.css';

interface Props {
  frame: FrameView;
  scale: Scale;
  mode: View['colours'];
  onDraft(scale: Scale): void;
  onCommit(scale: Scale): void;
  onFit(): void;
  /** Ends that are temperatures, not differences to the reference. */
  fixed: boolean;
}

type Grip = 'low' | 'high' | 'level';

const BINS = 90;
/** How much of the span is seen beyond each end. */
const BEYOND = 0.3;
const LEFT = 40;
const BAR = 16;
const HISTOGRAM = 34;
/** Least distance between two labels, CSS pixels. */
const LABEL_ROOM = 25;
const EDGE = 22;

interface Tick {
  key: string;
  words: string;
  celsius: number;
  kind: 'reference' | 'air' | 'moist';
}

/** The scale, its histogram and its meaning in one: ends to drag, the middle to shift, double-click to fit. */
export function ScaleRibbon({ frame, scale, mode, onDraft, onCommit, onFit, fixed }: Props) {
  const element = useRef<HTMLDivElement>(null);
  const size = useSize(element);
  const units = useUnits();
  // While a handle is dragged the ribbon holds still; otherwise the handle would run away from the pointer.
  const [held, setHeld] = useState<{ low: number; high: number } | null>(null);
  const drag = useRef<{ grip: Grip; scale: Scale; y: number; draft: Scale } | null>(null);

  const span = scale.high - scale.low;
  const view = held ?? { low: scale.low - BEYOND * span, high: scale.high + BEYOND * span };
  const height = size?.height ?? 0;
  const yOf = (celsius: number) => EDGE + (1 - (celsius - view.low) / (view.high - view.low)) * (height - 2 * EDGE);
  const perPixel = (view.high - view.low) / Math.max(1, height - 2 * EDGE);

  const { values, line, leftOutMask } = frame;
  const counts = useMemo(
    () => temperatureHistogram(values, line, view.low, view.high, BINS, leftOutMask),
    [values, line, leftOutMask, view.low, view.high],
  );
  const most = Math.max(1, ...counts);

  const ticks: Tick[] = [
    ...(frame.anchor.source === 'mean'
      ? []
      : [{ key: 'reference', words: '◆ reference', celsius: frame.anchor.celsius, kind: 'reference' as const }]),
    ...frame.meanings.map(({ name, label, celsius }) => ({
      key: name,
      words: label,
      celsius,
      kind: name === 'air' ? ('air' as const) : ('moist' as const),
    })),
  ];
  const inside = ticks.filter(({ celsius }) => celsius >= view.low && celsius <= view.high);
  const above = ticks.filter(({ celsius }) => celsius > view.high);
  const below = ticks.filter(({ celsius }) => celsius < view.low);
  const labels = spread(
    inside.map((tick) => ({ tick, y: yOf(tick.celsius) })),
    [yOf(scale.high), yOf(scale.low)],
    height,
  );

  const endLabel = (celsius: number) =>
    mode === 'frame' || fixed ? units.temperature(celsius) : units.signedDifference(celsius - frame.anchor.celsius);

  const begin = (event: PointerEvent<SVGElement>) => {
    const grip = event.currentTarget.dataset.grip as Grip;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { grip, scale, y: event.clientY, draft: scale };
    setHeld(view);
  };
  const move = (event: PointerEvent) => {
    const now = drag.current;
    if (!now) return;
    now.draft = pulled(now.scale, now.grip, (now.y - event.clientY) * perPixel);
    onDraft(now.draft);
  };
  const end = () => {
    const now = drag.current;
    if (!now) return;
    drag.current = null;
    setHeld(null);
    if (now.draft !== now.scale) onCommit(now.draft);
  };
  const onKey = (event: KeyboardEvent<SVGElement>) => {
    const grip = event.currentTarget.dataset.grip as Grip;
    const by = { ArrowUp: 0.1, ArrowDown: -0.1, PageUp: 1, PageDown: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onCommit(pulled(scale, grip, by));
  };

  const handle = (grip: 'low' | 'high') => {
    const y = yOf(scale[grip]);
    const words = grip === 'high' ? 'Warm end of the colours' : 'Cold end of the colours';
    return (
      <g
        className={styles.handle}
        role="slider"
        tabIndex={0}
        aria-label={words}
        aria-orientation="vertical"
        aria-valuemin={-150}
        aria-valuemax={2000}
        aria-valuenow={Math.round(scale[grip] * 10) / 10}
        aria-valuetext={endLabel(scale[grip])}
        onPointerDown={begin}
        onPointerMove={move}
        onPointerUp={end}
        onPointerCancel={end}
        onKeyDown={onKey}
        data-grip={grip}
      >
        <rect className={styles.reach} x={LEFT - 20} y={y - 22} width={110} height={44} />
        <rect className={styles.knob} x={LEFT - 6} y={y - 7} width={BAR + 12} height={14} rx={6} />
        <text className={styles.end} x={LEFT + BAR + 12} y={y + 4.5}>
          {endLabel(scale[grip])}
        </text>
      </g>
    );
  };

  return (
    <div ref={element} className={styles.ribbon} aria-label="Scale of the colours" role="group">
      {size && (
        <>
          <div
            className={styles.bar}
            style={{
              left: LEFT,
              width: BAR,
              top: yOf(scale.high),
              height: yOf(scale.low) - yOf(scale.high),
              background: scaleGradient(scale, 'to top'),
            }}
          />
          <svg width={size.width} height={height}>
            <rect className={styles.beyond} x={LEFT} y={EDGE} width={BAR} height={Math.max(0, yOf(scale.high) - EDGE)} />
            <rect
              className={styles.beyond}
              x={LEFT}
              y={yOf(scale.low)}
              width={BAR}
              height={Math.max(0, height - EDGE - yOf(scale.low))}
            />
            {Array.from(counts, (count, i) => {
              const width = (HISTOGRAM * count) / most;
              const step = (height - 2 * EDGE) / BINS;
              return (
                count > 0 && (
                  <rect
                    key={i}
                    className={styles.count}
                    x={LEFT - 3 - width}
                    y={height - EDGE - (i + 1) * step}
                    width={width}
                    height={Math.max(0.5, step - 0.6)}
                  />
                )
              );
            })}
            <rect
              className={styles.level}
              x={LEFT}
              y={yOf(scale.high)}
              width={BAR}
              height={Math.max(0, yOf(scale.low) - yOf(scale.high))}
              onPointerDown={begin}
              onPointerMove={move}
              onPointerUp={end}
              onPointerCancel={end}
              onDoubleClick={onFit}
              data-grip="level"
            >
              <title>Drag to shift the colours; double-click to fit them to what is chosen</title>
            </rect>
            {scale.shade && (
              <ShadeMark
                y={Math.max(EDGE, Math.min(height - EDGE, yOf(scale.shade.celsius)))}
                side={scale.shade.side}
                top={EDGE}
                bottom={height - EDGE}
              />
            )}
            {labels.map(({ tick, y, place }) => (
              <g key={tick.key} className={styles[tick.kind]}>
                <path d={`M${LEFT - 4} ${y}H${LEFT + BAR + 3}L${LEFT + BAR + 9} ${place}`} />
                <text x={LEFT + BAR + 12} y={place - 1}>
                  {tick.words}
                </text>
                <text className={styles.value} x={LEFT + BAR + 12} y={place + 11}>
                  {units.bareTemperature(tick.celsius)}
                </text>
              </g>
            ))}
            {handle('high')}
            {handle('low')}
          </svg>
          <OffScale ticks={above} where="above" />
          <OffScale ticks={below} where="below" />
        </>
      )}
    </div>
  );
}

/** The part of the ribbon that is shaded, with its edge. */
function ShadeMark({ y, side, top, bottom }: { y: number; side: 'colder' | 'warmer'; top: number; bottom: number }) {
  const [from, to] = side === 'colder' ? [y, bottom] : [top, y];
  return (
    <g aria-hidden="true">
      <rect className={styles.shade} x={LEFT} y={from} width={BAR} height={Math.max(0, to - from)} />
      <path className={styles.shadeEdge} d={`M${LEFT - 4} ${y}h${BAR + 8}`} />
    </g>
  );
}

/** What has a meaning beyond the ribbon is named at its end. */
function OffScale({ ticks, where }: { ticks: Tick[]; where: 'above' | 'below' }) {
  const units = useUnits();
  if (ticks.length === 0) return null;
  return (
    <div className={styles.off} data-where={where}>
      {ticks.map((tick) => (
        <Tooltip key={tick.key} title={`Beyond the ${where === 'above' ? 'warm' : 'cold'} end of the ribbon`}>
          <span className={styles[tick.kind]}>
            {tick.words} {units.bareTemperature(tick.celsius)} {where === 'above' ? '↑' : '↓'}
          </span>
        </Tooltip>
      ))}
    </div>
  );
}

/** The scale with one end, or both, pulled by so many kelvin; the ends never cross. */
function pulled(scale: Scale, grip: Grip, by: number): Scale {
  switch (grip) {
    case 'low':
      return { ...scale, low: Math.min(scale.low + by, scale.high - LEAST_SPAN_K) };
    case 'high':
      return { ...scale, high: Math.max(scale.high + by, scale.low + LEAST_SPAN_K) };
    case 'level':
      return { ...scale, low: scale.low + by, high: scale.high + by };
  }
}

/** Pushes labels apart, and away from the labels of the ends, keeping their order. */
function spread(wanted: { tick: Tick; y: number }[], ends: number[], height: number): { tick: Tick; y: number; place: number }[] {
  const sorted = [...wanted].sort((a, b) => a.y - b.y);
  const taken = [...ends];
  return sorted.map(({ tick, y }) => {
    const free = (place: number) =>
      place > 14 && place < height - 14 && taken.every((other) => Math.abs(other - place) >= LABEL_ROOM);
    let place = y;
    for (let away = 0; away < height && !free(place); away += 2) {
      const down = y + away;
      const up = y - away;
      place = free(down) ? down : free(up) ? up : place;
      if (free(place)) break;
    }
    taken.push(place);
    return { tick, y, place };
  });
}
