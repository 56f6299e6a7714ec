'use client';

import { useSyncExternalStore } from 'react';
import { isLost, subscribeLost } from './reachable';
import styles from './LostBanner.module.css';

/** Says that the server or its database does not answer, for as long as that is so. */
export function LostBanner() {
  const lost = useSyncExternalStore(subscribeLost, isLost, () => false);
  if (!lost) return null;
  return (
    <div className={styles.banner} role="alert">
      <b>The database does not answer just now.</b> What you change is kept here, and saved when it is back.
    </div>
  );
}
