'use client';

import { Tooltip } from 'antd';
import { weighed, type StepsDone } from '@core/model/hypotheses';
import { HYPOTHESIS_WORDS, PREDICTS } from '@core/work/water/huntWords';
import styles from './Water.module.css';

/** What it may be, weighed by what was done. */
export function Causes({ steps }: { steps: StepsDone }) {
  return (
    <section aria-label="What it may be">
      <h2>What it may be</h2>
      <ol className={styles.causes}>
        {weighed(steps).map(({ hypothesis, share }) => (
          <li key={hypothesis}>
            <Tooltip title={PREDICTS[hypothesis]} placement="right">
              <span tabIndex={0}>{HYPOTHESIS_WORDS[hypothesis]}</span>
            </Tooltip>
            <i style={{ inlineSize: `${Math.round(100 * share)}%` }} />
            <b>{Math.round(100 * share)} %</b>
          </li>
        ))}
      </ol>
    </section>
  );
}
