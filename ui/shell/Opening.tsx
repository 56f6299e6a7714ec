import { DenMark } from './Mark';
import styles from './Opening.module.css';

/** What is shown until a page is there. */
export function Opening() {
  return (
    <div className={styles.opening} role="status" aria-label="Opening">
      <div>
        <DenMark size={34} />
      </div>
    </div>
  );
}
