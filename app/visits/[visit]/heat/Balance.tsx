'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { useMemo } from 'react';
import { AS_FOUND, asFoundAdvice, balanceStateBefore, leftOf, walkOf } from '@core/work/heating/balance';
import { EmitterCards } from './EmitterCards';
import { NextStep } from './NextStep';
import { PdfButton } from '@ui/pdf/PdfButton';
import { NoEmitters } from './Radiators';
import { useAdvice } from './useAdvice';
import { useHeatPixels } from './useJudged';
import { useHeat } from './useHeat';
import { WorkProblem } from '../../../work/WorkProblem';
import styles from './Heat.module.css';

const DropChart = onDemand(() => import('./DropChart').then((m) => m.DropChart));

/** Balancing by drop: which valve to turn how far, how long to wait, what to read, until all are on target. */
export function Balance() {
  const { document, emitters } = useHeat();
  const pixels = useHeatPixels();
  const walk = walkOf(document);
  const state = useMemo(() => (walk > AS_FOUND ? balanceStateBefore(document, pixels, walk) : null), [document, pixels, walk]);
  const planned = useAdvice(state);
  const advice = walk === AS_FOUND ? asFoundAdvice(document) : planned.state === 'done' ? planned.result : null;
  if (emitters.length === 0) return <NoEmitters visitId={document.visitId} />;
  const left = advice && leftOf(document, advice, walk);
  const now = left?.tape[0] ?? left?.moves[0]?.emitterId ?? left?.read[0] ?? null;
  return (
    <div className={styles.columns}>
      <div className={styles.main}>
        <EmitterCards chosen={now} advice={advice} />
        <DropChart now={now} />
        <div className={styles.row}>
          <span className={styles.quiet}>Without a camera or thermometers at hand:</span>
          <PdfButton what="openings">Card by order of warming</PdfButton>
        </div>
      </div>
      <aside className={styles.side}>
        <WorkProblem work={planned} what="The walk" />
        {planned.state !== 'failed' && <NextStep walk={walk} advice={advice} left={left} />}
      </aside>
    </div>
  );
}
