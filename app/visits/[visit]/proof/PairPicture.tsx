'use client';

import { useDrag } from '@use-gesture/react';
import { Alert, Segmented, Spin } from 'antd';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { v7 as newId } from 'uuid';
import type { Grid } from '@core/ground/grid';
import type { DrawnShape } from '@core/method/frame/region';
import type { PairValue } from '@core/model/pairRow';
import type { Sides } from '@core/work/proof/sides';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import { ownRange } from '@core/method/scale/ownRange';
import { orderedScale, type Scale } from '@core/method/scale/scale';
import { visitRow } from '@core/work/visit/theVisit';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { Marks } from '@ui/picture/Marks';
import { scaleGradient } from '@ui/picture/ScaleBar';
import { useSize } from '@ui/picture/useSize';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { HandPoints } from './HandPoints';
import type { Compared } from './useCompared';
import { WorkProblem } from '../../../work/WorkProblem';
import styles from './Proof.module.css';

type Mode = 'beside' | 'swipe' | 'blink' | 'change';
const MODES: { value: Mode; label: string }[] = [
  { value: 'beside', label: 'Side by side' },
  { value: 'swipe', label: 'Swipe' },
  { value: 'blink', label: 'Blink' },
  { value: 'change', label: 'Change' },
];
const BLINK_MS = 900;
const LEAST_BOX = 4;

interface Props {
  pair: PairValue;
  sides: Sides | null;
  compared: Compared;
  put(label: string, change: Partial<PairValue>): void;
  children: ReactNode;
}

/** Before and after in one scale: beside each other, swiped, blinked, and what changed. */
export function PairPicture({ pair, sides, compared, put, children }: Props) {
  const { document } = useVisit();
  const units = useUnits();
  const [mode, setMode] = useState<Mode>('beside');
  const [alike, setAlike] = useState(true);
  const [byHand, setByHand] = useState(false);
  const { laying } = compared;
  const laid = laying && 'laid' in laying ? laying.laid : null;
  const fair = alike && compared.alike !== null;
  const later = fair ? compared.alike : (laid?.laid ?? null);
  const change = useMemo(
    () => (sides && compared.alike ? compared.alike.map((value, i) => value - sides.before.values[i]!) : null),
    [sides, compared.alike],
  );
  const { colourMap } = visitRow(document).value.span;
  const scale = useMemo((): Scale | null => {
    if (!sides) return null;
    const ranges = [sides.before.values, ...(later ? [later] : [])].map((values) => ownRange(values, IDENTITY_LINE, null, null));
    return orderedScale(Math.min(...ranges.map(({ low }) => low)), Math.max(...ranges.map(({ high }) => high)), colourMap);
  }, [sides, later, colourMap]);
  const changeScale = useMemo((): Scale | null => {
    if (!change) return null;
    const { low, high } = ownRange(change, IDENTITY_LINE, null, null);
    const reach = Math.max(0.5, Math.abs(low), Math.abs(high));
    return { low: -reach, high: reach, map: 'balance' };
  }, [change]);
  if (!sides || !scale)
    return (
      <section className={styles.pictures} aria-label="Pictures">
        <Spin description="The frames are on their way …" />
      </section>
    );
  const shownScale = mode === 'change' ? (changeScale ?? scale) : scale;
  const words = mode === 'change' ? units.difference : units.temperature;
  return (
    <section className={styles.pictures} aria-label="Pictures">
      <WorkProblem work={compared.problem} what="The comparison" />
      <div className={styles.bar}>
        <Segmented aria-label="How they are shown" value={mode} options={MODES} onChange={setMode} disabled={!laid} />
        <Segmented
          aria-label="Whose weather"
          value={fair}
          disabled={compared.alike === null || mode === 'change'}
          options={[
            { value: true, label: 'Same weather' },
            { value: false, label: 'As seen' },
          ]}
          onChange={setAlike}
        />
        <div className={styles.scale}>
          <span>{words(shownScale.low)}</span>
          <i style={{ background: scaleGradient(shownScale, 'to right') }} />
          <span>{words(shownScale.high)}</span>
        </div>
      </div>
      {laying && 'error' in laying && !byHand && (
        <Alert
          type="warning"
          showIcon
          title={laying.error.message}
          description={laying.error.hint}
          action={
            <button type="button" className={styles.link} onClick={() => setByHand(true)}>
              Mark points by hand
            </button>
          }
        />
      )}
      {byHand ? (
        <HandPoints pair={pair} sides={sides} scale={scale} put={put} onClose={() => setByHand(false)} />
      ) : (
        <Shown
          mode={laid ? mode : 'beside'}
          first={sides.before}
          second={later ? { ...sides.before, values: later } : sides.after}
          laid={later !== null}
          change={change ? { ...sides.before, values: change } : null}
          scale={scale}
          changeScale={changeScale}
          pair={pair}
          onBox={(shape) =>
            put('Region drawn', {
              regions: [...pair.regions, { id: newId(), name: `Place ${pair.regions.length + 1}`, shape, surface: null }],
            })
          }
        />
      )}
      <p className={styles.hint}>
        {byHand
          ? 'Click the same place first in the earlier, then in the later frame.'
          : 'Drag on the earlier picture to compare another place.'}
        {laid && !byHand && (
          <button type="button" className={styles.link} onClick={() => setByHand(true)}>
            {pair.points.length > 0 ? `${pair.points.length} points by hand` : 'They do not lie right: mark points by hand'}
          </button>
        )}
      </p>
      {children}
    </section>
  );
}

interface ShownProps {
  mode: Mode;
  first: Grid;
  second: Grid;
  /** Whether the second lies on the first's pixels. */
  laid: boolean;
  change: Grid | null;
  scale: Scale;
  changeScale: Scale | null;
  pair: PairValue;
  onBox(shape: DrawnShape): void;
}

function Shown({ mode, first, second, laid, change, scale, changeScale, pair, onBox }: ShownProps) {
  const [share, setShare] = useState(0.5);
  const [later, setLater] = useState(false);
  useEffect(() => {
    if (mode !== 'blink') return;
    const timer = setInterval(() => setLater((now) => !now), BLINK_MS);
    return () => clearInterval(timer);
  }, [mode]);
  if (mode === 'beside')
    return (
      <div className={styles.beside}>
        <OnePicture grid={first} scale={scale} pair={pair} name="Before" onBox={onBox} />
        <OnePicture grid={second} scale={scale} pair={laid ? pair : null} name="After" />
      </div>
    );
  if (mode === 'change')
    return change && changeScale ? (
      <OnePicture grid={change} scale={changeScale} pair={pair} name="Change" onBox={onBox} />
    ) : (
      <p className={styles.hint}>The change can be drawn when the air of both visits is known.</p>
    );
  return (
    <div className={styles.over}>
      <OnePicture grid={first} scale={scale} pair={pair} name={mode === 'blink' && later ? 'After' : 'Before'} onBox={onBox} />
      <div
        className={styles.above}
        style={{ clipPath: mode === 'swipe' ? `inset(0 0 0 ${100 * share}%)` : later ? 'none' : 'inset(100% 0 0 0)' }}
      >
        <OnePicture grid={second} scale={scale} pair={pair} name="After" />
      </div>
      {mode === 'swipe' && (
        <input
          className={styles.swipe}
          type="range"
          min={0}
          max={100}
          value={Math.round(100 * share)}
          aria-label="From before to after"
          onChange={(event) => setShare(Number(event.target.value) / 100)}
        />
      )}
    </div>
  );
}

function OnePicture({
  grid,
  scale,
  pair,
  name,
  onBox,
}: {
  grid: Grid;
  scale: Scale;
  pair: PairValue | null;
  name: string;
  onBox?: (shape: DrawnShape) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const size = useSize(box);
  const width = size?.width ?? 0;
  const zoom = width / grid.width;
  const stage = { width, height: grid.height * zoom };
  const placement = { x: 0, y: 0, zoom };
  const [draft, setDraft] = useState<Extract<DrawnShape, { kind: 'box' }> | null>(null);
  const bind = useDrag(
    ({ initial: [x0, y0], xy: [x1, y1], last, first }) => {
      const rect = box.current?.getBoundingClientRect();
      if (!rect || zoom === 0 || !onBox) return;
      const at = (value: number, from: number, most: number) =>
        Math.max(0, Math.min(most - 1, Math.floor((value - from) / zoom)));
      const [ax, bx] = [at(x0, rect.left, grid.width), at(x1, rect.left, grid.width)];
      const [ay, by] = [at(y0, rect.top, grid.height), at(y1, rect.top, grid.height)];
      const shape = {
        kind: 'box' as const,
        x: Math.min(ax, bx),
        y: Math.min(ay, by),
        width: Math.abs(ax - bx) + 1,
        height: Math.abs(ay - by) + 1,
      };
      setDraft(last ? null : shape);
      if (last && !first && shape.width >= LEAST_BOX && shape.height >= LEAST_BOX) onBox(shape);
    },
    { pointer: { keys: false }, enabled: onBox !== undefined },
  );
  const marks = [
    ...(pair?.regions ?? []).map(({ id, name: text, shape }) => ({ id, shape, text, reference: false, selected: false })),
    ...(draft ? [{ id: 'draft', shape: draft, text: '', reference: false, selected: true }] : []),
  ];
  return (
    <figure className={styles.one}>
      <div ref={box} className={styles.stage} style={{ aspectRatio: `${grid.width} / ${grid.height}` }} {...bind()}>
        {width > 0 && (
          <>
            <FrameCanvas
              frame={grid}
              values={grid.values}
              line={IDENTITY_LINE}
              scale={scale}
              stage={stage}
              placement={placement}
              label={`${name}: thermal frame`}
            />
            <svg className={styles.marks} width={stage.width} height={stage.height}>
              <Marks marks={marks} points={[]} placement={placement} stage={stage} picture={grid} />
            </svg>
          </>
        )}
        <figcaption>{name}</figcaption>
      </div>
    </figure>
  );
}
