import { FIRST_AID } from '@core/paper/firstAid';
import styles from './FirstAid.module.css';

/** What to do when the camera does not do what it should. */
export function FirstAid() {
  return (
    <details className={styles.aid}>
      <summary>First aid for the camera</summary>
      <dl>
        {FIRST_AID.map(([sign, help]) => (
          <div key={sign}>
            <dt>{sign}</dt>
            <dd>{help}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}
