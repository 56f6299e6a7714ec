'use client';

import { Tooltip } from 'antd';
import type { Comparison } from '@core/work/visit/readings';
import { SAME_HOUR_MEANING } from '@core/work/visit/sameHour';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './DifferenceHero.module.css';

/** A difference in words: how it stands against its own 95 % interval. */
function significanceWords({ difference: { value, uncertainty, significant } }: Comparison): string {
  if (!uncertainty.interval.every(Number.isFinite))
    return 'One of the two mirrors more than can be taken out: it cannot be read.';
  if (significant) return Math.abs(value) >= 8 * uncertainty.total ? 'Far outside the noise.' : 'Outside the noise.';
  return 'Within the noise: this does not say that the two differ.';
}

/** The product of the bench: this against that, with its ±. */
export function DifferenceHero({
  thisName,
  thatName,
  comparison,
  more,
  hour,
}: {
  thisName: string;
  thatName: string;
  comparison: Comparison;
  more?: string | undefined;
  /** Both as temperature factors, where they are parts of the envelope. */
  hour: string | null;
}) {
  const units = useUnits();
  const { value, uncertainty, significant } = comparison.difference;
  const sign = !significant ? 'level' : value < 0 ? 'colder' : 'warmer';
  const arrow = { level: '≈', colder: '▾', warmer: '▴' }[sign];
  return (
    <section className={styles.hero} aria-label={`${thisName} against ${thatName}`}>
      <h2>
        <b>{thisName}</b> against {thatName}
      </h2>
      <p className={styles.number} data-sign={sign} data-testid="difference">
        <span aria-hidden="true">{arrow}</span> {units.signedDifference(value)} <small>{units.spread(value, uncertainty)}</small>
      </p>
      <p className={styles.words}>
        {significanceWords(comparison)} {more}
      </p>
      {hour && (
        <Tooltip title={SAME_HOUR_MEANING}>
          <p className={styles.words}>{hour}</p>
        </Tooltip>
      )}
    </section>
  );
}
