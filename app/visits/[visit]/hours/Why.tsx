'use client';

import { Segmented } from 'antd';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { gradeOf } from '@core/method/weather/rated';
import type { HourScore } from '@core/method/weather/scoreHours';
import { WALL_WORDS } from '@core/method/weather/wallMemory';
import { number } from '@core/ground/format';
import { localDay, localTime } from '@core/ground/localTime';
import { leastUValue } from '@core/method/weather/leastU';
import { fahrenheitDifferenceFromKelvin } from '@core/ground/temperature';
import { DataTable } from '@ui/table/DataTable';
import { useUnits } from '@ui/units/UnitProvider';
import { rowName, scoreOf, type Picked } from './Board';
import type { ScoredWeek } from './useHours';
import styles from './Why.module.css';

/** What practice asks for, K. */
const NEEDED_K = { usual: 10, strict: 15 };

export type View = 'Chart' | 'Table';

/** One day of one row, hour by hour: difference, what the sun left in the wall, and every reason. */
export function Why({
  week,
  picked,
  slot,
  view,
  onView,
}: {
  week: ScoredWeek;
  picked: Picked;
  slot: { from: number; to: number } | null;
  view: View;
  onView(view: View): void;
}) {
  const units = useUnits();
  const { plan } = week;
  const { hours, start } = week.days[picked.day]!;
  const day = localDay(start, plan.timezone, 'long');
  const wall = picked.row === 'inside' ? '' : `, ${WALL_WORDS[plan.facades[picked.row]!.wall]}`;
  return (
    <section className={styles.why} aria-label="Why, hour by hour">
      <div className={styles.bar}>
        <h2>Why, hour by hour</h2>
        <span>
          {day} · {rowName(week, picked.row)}
          {wall}
        </span>
        <Segmented<View> aria-label="Show as" options={['Chart', 'Table']} value={view} onChange={onView} />
      </div>
      {hours.length === 0 ? (
        <p className={styles.quiet}>There is no weather for this day.</p>
      ) : view === 'Chart' ? (
        <DayChart
          week={week}
          hours={hours}
          row={picked.row}
          slot={slot ?? week.slots.find(({ from }) => from >= start) ?? null}
        />
      ) : (
        <DataTable<HourScore>
          name={`${rowName(week, picked.row)}, ${day}`}
          rows={hours}
          rowKey={({ time }) => String(time)}
          columns={[
            { name: 'Hour', value: ({ time }) => localTime(time, plan.timezone), width: 70 },
            {
              name: 'Score',
              value: (hour) => Math.round(100 * scoreOf(hour, picked.row).score) / 100,
              show: (hour) => `${gradeOf(scoreOf(hour, picked.row).score)} ${number(scoreOf(hour, picked.row).score, 2)}`,
              width: 80,
            },
            {
              name: `Difference, ${units.differenceUnit}`,
              value: ({ inside }) => Number(inside.differenceK.toFixed(1)),
              show: ({ inside }) => units.difference(inside.differenceK),
              width: 110,
            },
            {
              name: 'Smallest fault, W/m²K',
              value: ({ inside }) => (inside.smallestFaultWm2K === null ? '' : Number(inside.smallestFaultWm2K.toFixed(2))),
              width: 100,
            },
            { name: 'Wind, m/s', value: ({ weather }) => weather.windMs, width: 80 },
            { name: 'Rain, mm', value: ({ weather }) => weather.rainMm, width: 80 },
            { name: 'Cloud, %', value: ({ weather }) => Math.round(weather.cloudPct), width: 80 },
            {
              name: 'Reasons',
              value: (hour) =>
                scoreOf(hour, picked.row)
                  .reasons.map(({ words }) => words)
                  .join('; '),
            },
          ]}
        />
      )}
    </section>
  );
}

interface Point {
  time: number;
  difference: number;
  sun: number | null;
  hour: HourScore;
}

function DayChart({
  week,
  hours,
  row,
  slot,
}: {
  week: ScoredWeek;
  hours: HourScore[];
  row: Picked['row'];
  slot: { from: number; to: number } | null;
}) {
  const units = useUnits();
  const { timezone, strictness } = week.plan;
  const shown = (kelvin: number) => (units.unit === 'C' ? kelvin : fahrenheitDifferenceFromKelvin(kelvin));
  const points: Point[] = hours.map((hour) => ({
    time: hour.time,
    difference: shown(hour.inside.differenceK),
    sun: row === 'inside' ? null : shown(hour.facades[row]!.sunExcessK),
    hour,
  }));
  const first = points[0]!.time;
  const last = points.at(-1)!.time;
  const area =
    slot && slot.to > first && slot.from <= last ? { x1: Math.max(first, slot.from), x2: Math.min(last, slot.to) } : null;
  const clock = (time: number) => localTime(time, timezone);
  const numbers = hours.filter(({ inside }) => inside.forNumbers);
  const leastU = leastUValue(Math.max(...numbers.map(({ inside }) => inside.differenceK)));
  const smallest = Math.min(...hours.map(({ inside }) => inside.smallestFaultWm2K ?? Infinity));
  return (
    <figure className={styles.chart}>
      <ResponsiveContainer width="100%" height={236}>
        <ComposedChart data={points} margin={{ top: 12, right: 14, bottom: 0, left: 0 }} accessibilityLayer>
          <CartesianGrid vertical={false} stroke="var(--paper-line)" />
          {area && <ReferenceArea {...area} fill="var(--hours-slot)" fillOpacity={1} />}
          <XAxis
            dataKey="time"
            type="number"
            domain={[first, last]}
            ticks={points.map(({ time }) => time).filter((_, i) => i % 3 === 0)}
            tickFormatter={clock}
            tick={{ fill: 'var(--paper-muted)', fontSize: 12 }}
            stroke="var(--paper-edge)"
          />
          <YAxis
            width={58}
            tickFormatter={(value: number) => `${number(value, 0)} ${units.differenceUnit}`}
            tick={{ fill: 'var(--paper-muted)', fontSize: 12 }}
            stroke="none"
          />
          <ReferenceLine
            y={shown(NEEDED_K[strictness])}
            stroke="var(--paper-good)"
            strokeDasharray="2 3"
            label={{
              value: `${units.difference(NEEDED_K[strictness])} wanted`,
              position: 'insideTopRight',
              fill: 'var(--paper-good)',
              fontSize: 12,
            }}
          />
          <Tooltip
            content={({ active, payload }) =>
              active && payload[0] ? <HourCard point={payload[0].payload as Point} row={row} clock={clock} /> : null
            }
          />
          <Line dataKey="difference" stroke="var(--paper-text)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
          {row !== 'inside' && (
            <Line
              dataKey="sun"
              stroke="var(--paper-ember)"
              strokeWidth={2.5}
              strokeDasharray="6 4"
              dot={false}
              isAnimationActive={false}
            />
          )}
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption>
        <span className={styles.keyLine}>between inside and outside</span>
        {row !== 'inside' && <span className={styles.keySun}>sun in the wall, over the shade</span>}
        {area && <span className={styles.keySlot}>{slot && clock(slot.from)} slot</span>}
        <span>
          {numbers.length > 0
            ? `Enough for numbers in ${numbers.length} h: U-values of ${number(leastU, 1)} W/m²K and more, to a quarter.`
            : 'Too little for numbers such as U-values.'}{' '}
          {Number.isFinite(smallest) ? `Smallest fault inside: about ${number(smallest, 2)} W/m²K of extra loss.` : ''}
        </span>
      </figcaption>
    </figure>
  );
}

function HourCard({ point, row, clock }: { point: Point; row: Picked['row']; clock(time: number): string }) {
  const { score, reasons } = scoreOf(point.hour, row);
  return (
    <div className={styles.hour}>
      <b>
        {clock(point.time)} · {gradeOf(score)}
      </b>
      <ul>
        {reasons.map(({ code, words }) => (
          <li key={code}>{words}</li>
        ))}
      </ul>
    </div>
  );
}
