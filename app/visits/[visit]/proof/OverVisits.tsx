'use client';

import { Area, CartesianGrid, ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { VisitDocument } from '@core/model/document';
import type { PairValue } from '@core/model/pairRow';
import { DEN } from '@core/paper/palette';
import { localDay } from '@core/ground/localTime';
import { siteOf } from '@core/work/visit/theVisit';
import { useVisit } from '@ui/visit/VisitProvider';
import { useEarlierVisits } from '../computed/useEarlierVisits';
import { useOverVisits } from './useOverVisits';
import styles from './Proof.module.css';

const LEAST_VISITS = 3;
/** The axis of factors begins and ends at a multiple of this. */
const STEP = 0.05;

interface Props {
  earlier: VisitDocument;
  pair: PairValue;
  /** All earlier visits of the site. */
  visitIds: readonly string[];
}

/** A place over all visits on which it was seen, with its band; nothing while there are no more than before and after. */
export function OverVisits({ earlier, pair, visitIds }: Props) {
  const { document } = useVisit();
  const others = useEarlierVisits(visitIds.filter((id) => id !== earlier.visitId && id !== document.visitId));
  const { course, waiting } = useOverVisits(earlier, others, pair);
  const [place] = pair.regions;
  if (!place || course.length < LEAST_VISITS)
    return waiting > 0 && others.length > 0 ? <p className={styles.quiet}>Looking at the visits in between …</p> : null;
  const { timeZone } = siteOf(document);
  const day = (startedAt: number) => localDay(startedAt, timeZone);
  const data = course.map(({ startedAt, factor, low, high }) => ({ startedAt, factor, band: [low, high] }));
  const [first, last] = [course[0]!, course.at(-1)!];
  return (
    <figure className={styles.course}>
      <figcaption>
        <b>{place.name}</b> over {course.length} visits: temperature factor {first.factor.toFixed(2)} on {day(first.startedAt)},{' '}
        {last.factor.toFixed(2)} ± {((last.high - last.low) / 2).toFixed(2)} on {day(last.startedAt)}. Higher is warmer for the
        same weather.
      </figcaption>
      <div role="img" aria-label={`Temperature factor of ${place.name} over ${course.length} visits`}>
        <ResponsiveContainer width="100%" height={140}>
          <ComposedChart data={data} margin={{ top: 6, right: 12, bottom: 0, left: 0 }}>
            <CartesianGrid vertical={false} stroke={DEN.line} />
            <XAxis
              dataKey="startedAt"
              type="number"
              scale="time"
              domain={['dataMin', 'dataMax']}
              ticks={[first.startedAt, last.startedAt]}
              tickFormatter={day}
              stroke={DEN.muted}
              fontSize={12}
            />
            <YAxis
              width={40}
              stroke={DEN.muted}
              fontSize={12}
              domain={[(low: number) => Math.floor(low / STEP) * STEP, (high: number) => Math.ceil(high / STEP) * STEP]}
              tickFormatter={(value: number) => value.toFixed(2)}
            />
            <Area dataKey="band" stroke="none" fill={DEN.ember} fillOpacity={0.25} isAnimationActive={false} />
            <Line dataKey="factor" dot={{ r: 3 }} stroke={DEN.ember} strokeWidth={2} isAnimationActive={false} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <ul className={styles.courseList}>
        {course.map(({ visitId, startedAt, factor, low, high }) => (
          <li key={visitId}>
            <span>{day(startedAt)}</span>
            <b>
              {factor.toFixed(3)}
              {high > low && ` ± ${((high - low) / 2).toFixed(3)}`}
            </b>
          </li>
        ))}
      </ul>
    </figure>
  );
}
