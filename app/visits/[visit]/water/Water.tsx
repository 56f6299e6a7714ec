'use client';

import { UndoButtons } from '@ui/shell/UndoButtons';
import { Causes } from './Causes';
import { Cautions } from './Cautions';
import { Opened } from './Opened';
import { Player } from './Player';
import { Steps } from './Steps';
import { Told } from './Told';
import styles from './Water.module.css';

/** The hunt for a leak: what it may be, what tells them apart, where it comes out, what was found. */
export function Water() {
  return (
    <div className={styles.water}>
      <header className={styles.head}>
        <h1>Water</h1>
        <p>Where does it come from, and where does it come out?</p>
        <UndoButtons />
      </header>
      <div className={styles.desk}>
        <div className={styles.case}>
          <Causes />
          <Steps />
        </div>
        <Player />
        <aside className={styles.ledger} aria-label="Floor and water">
          <Told />
          <Opened />
          <Cautions />
        </aside>
      </div>
    </div>
  );
}
