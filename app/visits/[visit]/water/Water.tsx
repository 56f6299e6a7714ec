'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { chosenSeries, stepsWith } from '@core/work/water/seek';
import { PdfButton } from '@ui/pdf/PdfButton';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { Causes } from './Causes';
import { Cautions } from './Cautions';
import { LossFields } from './LossFields';
import { Opened } from './Opened';
import { Player } from './Player';
import { Steps } from './Steps';
import { Told } from './Told';
import { useHunt } from './useHunt';
import { useSought } from '../computed/useSought';
import { WetOrNot } from './WetOrNot';
import styles from './Water.module.css';

const Drain = onDemand(() => import('./Drain').then((m) => m.Drain));

const SHOWN = { series: 'Time-lapse', wet: 'Wet or not', drain: 'Along a drain' };

/** The hunt for a leak: what it may be, what tells them apart, where it comes out, what was found. */
export function Water() {
  const { document, hunt } = useHunt();
  const chosen = useMemo(() => chosenSeries(document, hunt), [document, hunt]);
  const sought = useSought(document, hunt, chosen);
  const [showing, setShowing] = useState<'series' | 'wet' | 'drain'>('series');
  const steps = useMemo(() => stepsWith(hunt, sought.state === 'found' ? sought.found : null), [hunt, sought]);
  return (
    <div className={styles.water}>
      <header className={styles.head}>
        <h1>Water</h1>
        <p>Where does it come from, and where does it come out?</p>
        <PdfButton what="leak">The case as PDF</PdfButton>
        <UndoButtons />
      </header>
      <div className={styles.desk}>
        <div className={styles.case}>
          <Causes steps={steps} />
          <Steps steps={steps} />
        </div>
        <section className={styles.player} aria-label={SHOWN[showing]}>
          <Segmented<'series' | 'wet' | 'drain'>
            aria-label="What is asked of the floor"
            value={showing}
            options={[
              { value: 'series', label: 'Where does it come out?' },
              { value: 'wet', label: 'Wet or not?' },
              { value: 'drain', label: 'Along a drain' },
            ]}
            onChange={setShowing}
          />
          {showing === 'series' && <Player chosen={chosen} sought={sought} />}
          {showing === 'wet' && <WetOrNot />}
          {showing === 'drain' && <Drain />}
        </section>
        <aside className={styles.ledger} aria-label="Floor and water">
          <Told />
          <LossFields />
          <Opened />
          <Cautions />
        </aside>
      </div>
    </div>
  );
}
