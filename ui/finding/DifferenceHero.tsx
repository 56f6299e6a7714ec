'use client';

import type { Comparison } from '@core/visit/readings';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './DifferenceHero.module.css';

/** A difference in words: how it stands against its own uncertainty (95 %). */
function significanceWords(comparison: Comparison): string {
  const { value, uncertainty } = comparison.difference;
  const size = Math.abs(value) / (2 * uncertainty.total);
  if (size >= 4) return 'Far outside the noise.';
  if (size >= 1) return 'Outside the noise.';
  return 'Within the noise: this does not say that the two differ.';
}

/** The product of the bench: this against that, with its ±. */
export function DifferenceHero({
  thisName,
  thatName,
  comparison,
  more,
}: {
  thisName: string;
  thatName: string;
  comparison: Comparison;
  more?: string | undefined;
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
        <span aria-hidden="true">{arrow}</span> {units.signedDifference(value)}{' '}
        <small>{units.plusMinus(uncertainty.total)}</small>
      </p>
      <p className={styles.words}>
        {significanceWords(comparison)} {more}
      </p>
    </section>
  );
}
