'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { knownOf, type Argued } from '@core/model/arguedRow';
import type { CheckCode } from '@core/method/causes/checks';
import { CHECKS } from '@core/method/causes/checks';
import { offeredChecks, type OfferedCheck, type Possible } from '@core/method/causes/nextCheck';
import { rankCauses, type RankedCause } from '@core/method/causes/rank';
import { argumentSentences } from '@core/method/causes/words';
import { percent } from '@core/ground/format';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './Causes.module.css';

/** Causes below this are not worth reading. */
const LEAST_SCORE = 0.05;
const MOST_CAUSES = 3;
const MOST_SENTENCES = 4;
const MOST_CHECKS = 3;

interface Props {
  argued: Argued;
  possible: Possible;
  onOutcome(check: CheckCode, outcome: string): void;
}

/** The likely causes with what speaks for and against each, and the check that would settle it. */
export function Causes({ argued, possible, onOutcome }: Props) {
  const ranked = rankCauses(knownOf(argued));
  const shown = ranked.filter(({ score }, i) => i === 0 || (score >= LEAST_SCORE && i < MOST_CAUSES));
  const checks = offeredChecks(ranked, possible).slice(0, MOST_CHECKS);
  return (
    <div className={styles.causes}>
      {shown.map((one, i) => (
        <CauseView key={one.cause.code} ranked={one} argued={argued} first={i === 0} />
      ))}
      {argued.outcomes.length > 0 && (
        <section>
          <h3>Checked</h3>
          <ul className={styles.checked}>
            {argued.outcomes.map(({ check, outcome }) => (
              <li key={check}>
                {CHECKS[check].name}: {(CHECKS[check].outcomes as Record<string, string>)[outcome]}
              </li>
            ))}
          </ul>
        </section>
      )}
      {checks.length > 0 && (
        <section>
          <h3>What would settle it</h3>
          {checks.map((offered, i) => (
            <CheckView key={offered.code} offered={offered} first={i === 0} onOutcome={onOutcome} />
          ))}
        </section>
      )}
    </div>
  );
}

/** Weight at which a bar of evidence is full: odds of twenty to one. */
const FULL = Math.log(20);

function CauseView({ ranked, argued, first }: { ranked: RankedCause; argued: Argued; first: boolean }) {
  const { unit } = useUnits();
  const [open, setOpen] = useState(first);
  const { cause, score } = ranked;
  const says = (list: RankedCause['for']) => argumentSentences(list, cause, argued.measured, unit, MOST_SENTENCES);
  return (
    <section className={styles.cause}>
      <button type="button" className={styles.name} aria-expanded={open} onClick={() => setOpen(!open)}>
        <b>{cause.name}</b>
        <span className={styles.meter} aria-hidden="true">
          <i style={{ inlineSize: percent(score).replace(' ', '') }} />
        </span>
        <em>{percent(score)}</em>
      </button>
      {open && (
        <>
          <p className={styles.gloss}>{cause.gloss}</p>
          <Sentences name="For" list={says(ranked.for)} />
          <Sentences name="Against" list={says(ranked.against)} />
        </>
      )}
    </section>
  );
}

function Sentences({ name, list }: { name: 'For' | 'Against'; list: ReturnType<typeof argumentSentences> }) {
  if (list.length === 0) return null;
  return (
    <div className={styles.sentences} data-side={name}>
      <h4>{name}</h4>
      <ul>
        {list.map(({ argument, words }) => (
          <li key={words}>
            <span className={styles.bar} aria-hidden="true">
              <i style={{ inlineSize: `${Math.round(100 * Math.min(1, Math.abs(argument.weight) / FULL))}%` }} />
            </span>
            {words}
          </li>
        ))}
      </ul>
    </div>
  );
}

function CheckView({ offered, first, onOutcome }: { offered: OfferedCheck; first: boolean; onOutcome: Props['onOutcome'] }) {
  const [open, setOpen] = useState(first);
  const { check, code, outcomes } = offered;
  return (
    <div className={styles.check}>
      <button type="button" className={styles.checkName} aria-expanded={open} onClick={() => setOpen(!open)}>
        <b>{check.name}</b>
        <small>{minutesWords(check.minutes)}</small>
      </button>
      {open && (
        <>
          <p>
            {check.how}
            {check.licensed && ' Only by somebody who is allowed to.'}
          </p>
          {check.caution && (
            <p className={styles.caution} role="note">
              {check.caution}
            </p>
          )}
          <ul className={styles.outcomes}>
            {outcomes.map(({ outcome, words, then }) => (
              <li key={outcome}>
                <Button onClick={() => onOutcome(code, outcome)}>{words}</Button>
                <small>
                  then {then.cause.name.toLowerCase()}, {percent(then.score)}
                </small>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

function minutesWords(minutes: number): string {
  if (minutes < 60) return `${minutes} min`;
  return minutes < 1440 ? `${Math.round(minutes / 60)} h` : 'a day or more';
}
