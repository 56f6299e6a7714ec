'use client';

import { ClockCircleOutlined, EnvironmentOutlined, QuestionOutlined } from '@ant-design/icons';
import type { Timelapse } from '@core/water/timelapse';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './Water.module.css';

/** What the series says, in a sentence or two. */
export function Verdict({ found }: { found: Timelapse }) {
  const units = useUnits();
  const { source, enough, moreMinutes, confidence, slopeMax, dropped } = found;
  const left =
    dropped.length > 0
      ? ` ${dropped.length} ${dropped.length === 1 ? 'frame shows' : 'frames show'} another view and ${dropped.length === 1 ? 'was' : 'were'} left out.`
      : '';
  if (!enough)
    return (
      <p className={styles.verdict} role="status">
        <ClockCircleOutlined /> <b>Not long enough yet.</b>{' '}
        {moreMinutes === null
          ? 'Under this floor a leak would not show for hours.'
          : `Go on for about ${Math.max(1, Math.round(moreMinutes))} minutes.`}
        {left}
      </p>
    );
  if (!source)
    return (
      <p className={styles.verdict} role="status">
        <QuestionOutlined /> <b>Nothing here behaves like a leak.</b> What warmed did so at its own rate, wandered, or has sharp
        edges. That speaks against a leak under this view only.{left}
      </p>
    );
  const sure = `${Math.round(100 * confidence)} % sure`;
  if (!source.inside)
    return (
      <p className={styles.verdict} role="status">
        <EnvironmentOutlined /> <b>It comes out beside the view, {wayWords(source.direction!)}</b> ({sure}). Turn the camera there
        and take another series.{left}
      </p>
    );
  return (
    <p className={styles.verdict} role="status">
      <EnvironmentOutlined />{' '}
      <b>
        {source.kind === 'line' ? 'It comes out at the circle and runs along the line' : 'It comes out in the circle'} ({sure}).
      </b>{' '}
      The circle, {Math.round(source.radius!)} pixels wide to each side, holds it nine times of ten. Fastest rise:{' '}
      {units.difference(slopeMax!)} a minute.{left}
    </p>
  );
}

const WAYS = [
  'to the right',
  'below on the right',
  'below',
  'below on the left',
  'to the left',
  'above on the left',
  'above',
  'above on the right',
];

function wayWords(degrees: number): string {
  return WAYS[Math.round(degrees / 45) % 8]!;
}
