import { OPENING_CAUTIONS } from '@core/work/water/leakWords';
import styles from './Water.module.css';

/** Before anybody opens a floor. */
export function Cautions() {
  return (
    <section className={styles.cautions} aria-label="Before a floor is opened">
      <h2>Before a floor is opened</h2>
      <ul>
        {OPENING_CAUTIONS.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
    </section>
  );
}
