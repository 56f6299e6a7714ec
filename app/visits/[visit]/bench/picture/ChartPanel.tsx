'use client';

import { CloseOutlined, CopyOutlined } from '@ant-design/icons';
import { App, Button, Segmented } from 'antd';
import { useMemo } from 'react';
import Papa from 'papaparse';
import {
  Area,
  AreaChart,
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { gradeOpening, type OpeningSeal } from '@core/method/building/openingSeal';
import { hasReading } from '@core/ground/hasReading';
import { distanceBetween } from '@core/method/frame/metric';
import { profileOf, type ProfilePoint } from '@core/method/frame/profile';
import { spacingOf } from '@core/method/frame/spacing';
import { regionSpans } from '@core/method/frame/reading';
import { radianceLine, throughLine } from '@core/method/radiometry/measurement';
import { radiometricSettings } from '@core/method/radiometry/settings';
import { measuredFrame } from '@core/work/visit/readings';
import { settingsFor } from '@core/work/visit/settingsInForce';
import { conditionsOf } from '@core/work/visit/theVisit';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { lengthWords } from '../lengthWords';
import type { FrameView, RegionReading } from '@core/work/visit/frameView';
import type { View, ViewAction } from '../view';
import styles from './ChartPanel.module.css';

interface Props {
  frame: FrameView;
  region: RegionReading;
  chart: View['chart'];
  dispatch(action: ViewAction): void;
}

/** What a region holds, as a curve and a table: its histogram, or the profile along it. */
export function ChartPanel({ frame, region, chart, dispatch }: Props) {
  const { message } = App.useApp();
  const canProfile = region.row.value.shape.kind !== 'spot' && region.row.value.shape.kind !== 'beyond';
  const kind = chart === 'profile' && !canProfile ? 'histogram' : chart;
  const rows = useRows(frame, region, kind);
  const profile = useProfile(frame, region);
  const { inMetres } = wayOf(frame, profile);
  const units = useUnits();
  const columns =
    kind === 'profile' ? [inMetres ? 'Way, m' : 'Way, px', `Temperature, °${units.unit}`] : [`From, °${units.unit}`, 'Pixels'];
  const told = rows.map(({ x, y }) =>
    kind === 'profile' ? { x, y: y === null ? null : units.toField(y) } : { x: units.toField(x), y },
  );
  const copy = async () => {
    const text = Papa.unparse({ fields: columns, data: told.map(({ x, y }) => [x, y ?? '']) }, { escapeFormulae: true });
    await navigator.clipboard.writeText(text);
    void message.success('Copied as CSV.', 2);
  };
  return (
    <section className={styles.panel} aria-label={`Chart of ${region.row.value.name}`}>
      <header>
        <b>{region.row.value.name}</b>
        <Segmented<View['chart']>
          size="small"
          aria-label="What the chart shows"
          value={kind}
          onChange={(next) => dispatch({ kind: 'chart', chart: next })}
          options={[
            { value: 'histogram', label: 'Histogram' },
            { value: 'profile', label: 'Profile', disabled: !canProfile },
          ]}
        />
        <span className={styles.gap} />
        <Button size="small" type="text" icon={<CopyOutlined />} onClick={() => void copy()}>
          Copy as CSV
        </Button>
        <Button
          size="small"
          type="text"
          icon={<CloseOutlined />}
          aria-label="Close the chart"
          onClick={() => dispatch({ kind: 'chart', chart: 'off' })}
        />
      </header>
      <div className={styles.body}>
        <div className={styles.chart} role="img" aria-label={`${kind} of ${region.row.value.name}, ${rows.length} values`}>
          {kind === 'profile' ? <ProfileChart frame={frame} inMetres={inMetres} rows={rows} /> : <HistogramChart rows={rows} />}
        </div>
        <div className={styles.table} tabIndex={0} role="group" aria-label="Values of the chart">
          {kind === 'profile' && <ProfileWords frame={frame} region={region} />}
          <table>
            <thead>
              <tr>
                {columns.map((name) => (
                  <th key={name}>{name}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {thinned(told).map(({ x, y }, i) => (
                <tr key={i}>
                  <td>{x}</td>
                  <td>{y === null ? 'no reading' : kind === 'profile' ? y.toFixed(1) : y}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </section>
  );
}

interface ChartRow {
  x: number;
  y: number | null;
}

const BINS = 40;
/** More rows than this nobody reads; the CSV has them all. */
const SHOWN_ROWS = 200;

function thinned(rows: ChartRow[]): ChartRow[] {
  const step = Math.ceil(rows.length / SHOWN_ROWS);
  return step <= 1 ? rows : rows.filter((_, i) => i % step === 0);
}

function useProfile(frame: FrameView, region: RegionReading): ProfilePoint[] {
  const { document } = useVisit();
  return useMemo(() => {
    const { shape } = region.row.value;
    if (shape.kind === 'beyond' || shape.kind === 'spot') return [];
    const settings = radiometricSettings(settingsFor(document, frame.id, region.row.id));
    const { width, height } = frame.facts;
    return profileOf({ width, height, values: frame.values }, shape, radianceLine(frame.row.value.basis, settings));
  }, [document, frame, region]);
}

function useRows(frame: FrameView, region: RegionReading, kind: View['chart']): ChartRow[] {
  const { document } = useVisit();
  const profile = useProfile(frame, region);
  return useMemo(() => {
    if (kind === 'profile') {
      const { way } = wayOf(frame, profile);
      return profile.map(({ celsius }, i) => ({ x: way[i]!, y: hasReading(celsius) ? celsius : null }));
    }
    const { name, shape } = region.row.value;
    if (!region.reading) return [];
    const { min, max } = region.reading.statistics;
    const measured = measuredFrame(document, frame.id, frame.values);
    const line = radianceLine(measured.basis, radiometricSettings(settingsFor(document, frame.id, region.row.id)));
    const counts = new Array<number>(BINS).fill(0);
    const step = Math.max(1e-6, (max - min) / BINS);
    for (const { y, from, to } of regionSpans(measured, { name, shape }, line)) {
      for (let x = from; x <= to; x += 1) {
        const celsius = throughLine(frame.values[y * frame.facts.width + x]!, line);
        if (hasReading(celsius)) counts[Math.max(0, Math.min(BINS - 1, Math.floor((celsius - min) / step)))]! += 1;
      }
    }
    return counts.map((count, i) => ({ x: Math.round((min + i * step) * 100) / 100, y: count }));
  }, [document, frame, region, kind, profile]);
}

/** Way along a profile: metres where the size of all of it is known, pixels otherwise. */
function wayOf(frame: FrameView, profile: ProfilePoint[]): { inMetres: boolean; way: number[] } {
  let way = 0;
  const metres = profile.map((point, i) => {
    const before = profile[i - 1];
    const step = !before ? 0 : frame.metric && distanceBetween(frame.metric, [before.x, before.y], [point.x, point.y]);
    if (step === null) return null;
    way += step;
    return Math.round(way * 1000) / 1000;
  });
  const inMetres = metres.every((at) => at !== null);
  return { inMetres, way: inMetres ? metres : profile.map(({ along }) => Math.round(along * 10) / 10) };
}

function ProfileChart({ frame, inMetres, rows }: { frame: FrameView; inMetres: boolean; rows: ChartRow[] }) {
  const units = useUnits();
  const shown = rows.map(({ x, y }) => ({ x, y: y === null ? null : units.toField(y) }));
  return (
    <ResponsiveContainer>
      <LineChart data={shown} margin={{ top: 8, right: 12, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--den-line)" vertical={false} />
        <XAxis
          dataKey="x"
          type="number"
          domain={['dataMin', 'dataMax']}
          tick={{ fill: 'var(--den-muted)', fontSize: 11 }}
          tickFormatter={(value: number) => (inMetres ? `${value.toFixed(1)} m` : `${value.toFixed(0)} px`)}
        />
        <YAxis
          domain={['auto', 'auto']}
          width={44}
          tick={{ fill: 'var(--den-muted)', fontSize: 11 }}
          tickFormatter={(value: number) => value.toFixed(1)}
        />
        <Tooltip
          contentStyle={{ background: 'var(--den-raised)', border: '1px solid var(--den-line)' }}
          formatter={(value) => [`${Number(value).toFixed(1)} °${units.unit}`, 'Temperature']}
          labelFormatter={(label) => (inMetres ? `${String(label)} m` : `${String(label)} px`)}
        />
        {frame.anchor.source !== 'mean' && (
          <ReferenceLine y={units.toField(frame.anchor.celsius)} stroke="var(--den-ember)" strokeDasharray="4 3" />
        )}
        <Line dataKey="y" stroke="var(--den-text)" dot={false} strokeWidth={1.6} isAnimationActive={false} />
      </LineChart>
    </ResponsiveContainer>
  );
}

function HistogramChart({ rows }: { rows: ChartRow[] }) {
  const units = useUnits();
  const shown = rows.map(({ x, y }) => ({ x: units.toField(x), y }));
  return (
    <ResponsiveContainer>
      <AreaChart data={shown} margin={{ top: 8, right: 12, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--den-line)" vertical={false} />
        <XAxis
          dataKey="x"
          type="number"
          domain={['dataMin', 'dataMax']}
          tick={{ fill: 'var(--den-muted)', fontSize: 11 }}
          tickFormatter={(value: number) => value.toFixed(1)}
        />
        <YAxis width={44} tick={{ fill: 'var(--den-muted)', fontSize: 11 }} />
        <Tooltip
          contentStyle={{ background: 'var(--den-raised)', border: '1px solid var(--den-line)' }}
          formatter={(value) => [String(value), 'Pixels']}
          labelFormatter={(label) => `from ${Number(label).toFixed(2)} °${units.unit}`}
        />
        <Area dataKey="y" type="step" stroke="var(--den-ember)" fill="var(--den-ember-tint)" isAnimationActive={false} />
      </AreaChart>
    </ResponsiveContainer>
  );
}

const GRADES: Record<OpeningSeal['grade'], string> = { sound: 'Sound', slight: 'Slightly leaky', bad: 'Bad' };

/** What the profile says: the grade of an opening with metres to seal, and the spacing of what shows evenly. */
function ProfileWords({ frame, region }: { frame: FrameView; region: RegionReading }) {
  const { document } = useVisit();
  const units = useUnits();
  const profile = useProfile(frame, region);
  const isLine = region.row.value.shape.kind === 'line';
  const { inMetres, way } = wayOf(frame, profile);
  const total = way.at(-1) ?? 0;
  const pixels = profile.at(-1)?.along ?? 1;
  const length = (px: number) => (inMetres ? lengthWords((px / pixels) * total) : `${px.toFixed(0)} px`);
  if (isLine) {
    const spacing = spacingOf(profile);
    return (
      <p className={styles.words}>
        {inMetres ? lengthWords(total) : `${pixels.toFixed(0)} px`} long.
        {spacing && ` Evenly spaced: ${spacing.lines} lines, ${length(spacing.pixels)} apart.`}
      </p>
    );
  }
  if (frame.anchor.source === 'mean') {
    return <p className={styles.words}>Mark sound wall as the reference, and the edge is graded against it.</p>;
  }
  const c = conditionsOf(document)?.value;
  const known = c && c.insideC !== null && c.outsideC !== null ? c.insideC - c.outsideC : null;
  const inside = frame.row.value.side === 'inside';
  const seal = gradeOpening(profile, frame.anchor.celsius, known === null ? null : inside ? known : -known, frame.row.value.side);
  return (
    <p className={styles.words} data-grade={seal.grade}>
      <b>{GRADES[seal.grade]}</b> as the edge of an opening: to seal {length(seal.lengths.bad)} bad and{' '}
      {length(seal.lengths.slight)} slight of {length(pixels)}. Bad from {units.difference(seal.thresholds.bad)} beyond the
      reference, slight from {units.difference(seal.thresholds.slight)}. Frames are{' '}
      {inside === (known ?? 1) >= 0 ? 'colder' : 'warmer'} than walls even when tight: feel for a draught.
    </p>
  );
}
