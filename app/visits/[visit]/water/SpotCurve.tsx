'use client';

import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { DEN } from '@core/paper/palette';
import type { Timelapse } from '@core/method/water/timelapse';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './Water.module.css';

const REACH = 2;

/** How a place rose over the series; where nobody chose one, where the water comes out. */
export function SpotCurve({ found, spot }: { found: Timelapse; spot: { x: number; y: number } | null }) {
  const units = useUnits();
  const { source, stack, scale } = found;
  const place = spot ?? (source?.inside ? { x: Math.round(source.x! / scale), y: Math.round(source.y! / scale) } : null);
  if (!place) return <p className={styles.quiet}>Click a place in the picture to see how it rose.</p>;
  const shown = (kelvin: number) => Number.parseFloat(units.difference(kelvin).replace('−', '-'));
  const first = meanAt(stack, 0, place);
  const data = stack.times.map((t, i) => ({ minutes: Math.round(t / 6) / 10, rise: shown(meanAt(stack, i, place) - first) }));
  return (
    <figure className={styles.curve}>
      <figcaption>
        Rise at the chosen place in {units.differenceUnit} over minutes:{' '}
        {units.difference(meanAt(stack, stack.times.length - 1, place) - first)} at the end
      </figcaption>
      <div role="img" aria-label="Rise over time">
        <ResponsiveContainer width="100%" height={150}>
          <LineChart data={data} margin={{ top: 6, right: 12, bottom: 0, left: 0 }}>
            <CartesianGrid vertical={false} stroke={DEN.line} />
            <XAxis dataKey="minutes" type="number" domain={['dataMin', 'dataMax']} stroke={DEN.muted} fontSize={12} />
            <YAxis width={40} stroke={DEN.muted} fontSize={12} />
            <Line dataKey="rise" dot={{ r: 2 }} stroke={DEN.ember} strokeWidth={2} isAnimationActive={false} />
          </LineChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}

function meanAt({ rises, width, height }: Timelapse['stack'], i: number, { x, y }: { x: number; y: number }): number {
  let [sum, n] = [0, 0];
  for (let v = Math.max(0, y - REACH); v <= Math.min(height - 1, y + REACH); v += 1)
    for (let u = Math.max(0, x - REACH); u <= Math.min(width - 1, x + REACH); u += 1) {
      const value = rises[i]![v * width + u]!;
      if (!Number.isNaN(value)) {
        sum += value;
        n += 1;
      }
    }
  return n === 0 ? NaN : sum / n;
}
