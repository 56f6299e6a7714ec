'use client';

import { Button } from 'antd';
import { HUNT_STEPS, nextStep, OUTCOMES, speaksFor, weighed, type HuntStep, type StepOutcome } from '@core/hunt/hypotheses';
import { HYPOTHESIS_WORDS, OUTCOME_WORDS, STEP_WORDS } from '@core/hunt/huntWords';
import { useHunt } from './useHunt';
import styles from './Water.module.css';

/** From this on an outcome is said to speak for or against something. */
const SPEAKS = 2;

/** What tells them apart, the most telling first; each outcome moves what it may be. */
export function Steps() {
  const { hunt, put } = useHunt();
  const next = nextStep(hunt.steps);
  const order = [...HUNT_STEPS].sort((a, b) => Number(b === next) - Number(a === next));
  const answer = (step: HuntStep, outcome: StepOutcome) => {
    const steps = { ...hunt.steps };
    if (steps[step]?.outcome === outcome) delete steps[step];
    else steps[step] = { outcome, at: Date.now() };
    put(STEP_WORDS[step].ask, { steps });
  };
  return (
    <section aria-label="What tells them apart">
      <h2>What tells them apart</h2>
      <ul className={styles.steps}>
        {order.map((step) => {
          const outcome = hunt.steps[step]?.outcome ?? null;
          return (
            <li key={step} data-next={step === next} aria-label={STEP_WORDS[step].ask}>
              <b>{STEP_WORDS[step].ask}</b>
              {(step === next || outcome === null) && <small>{STEP_WORDS[step].how}</small>}
              {outcome !== null && outcome !== 'unclear' && <small>{reasons(step, outcome)}</small>}
              <div role="group" aria-label={STEP_WORDS[step].ask}>
                {OUTCOMES.map((one) => (
                  <Button
                    key={one}
                    size="small"
                    type={outcome === one ? 'primary' : 'default'}
                    aria-pressed={outcome === one}
                    onClick={() => answer(step, one)}
                  >
                    {OUTCOME_WORDS[one]}
                  </Button>
                ))}
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What an outcome speaks for and against, in a sentence. */
function reasons(step: HuntStep, outcome: StepOutcome): string {
  const all = weighed({}).map(({ hypothesis }) => ({ hypothesis, by: speaksFor(step, outcome, hypothesis) }));
  const names = (list: typeof all) => list.map(({ hypothesis }) => HYPOTHESIS_WORDS[hypothesis].toLowerCase()).join(', ');
  const speaking = all.filter(({ by }) => by >= SPEAKS);
  const against = all.filter(({ by }) => by <= 1 / SPEAKS);
  return [speaking.length > 0 ? `Speaks for ${names(speaking)}.` : '', against.length > 0 ? `Against ${names(against)}.` : '']
    .filter(Boolean)
    .join(' ');
}
