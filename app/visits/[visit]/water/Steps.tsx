'use client';

import { HUNT_STEPS, nextStep, type HuntStep, type StepOutcome, type StepsDone } from '@core/model/hypotheses';
import type { HuntValue } from '@core/model/huntRow';
import { STEP_WORDS } from '@core/work/water/huntWords';
import { Step } from './Step';
import { useHunt } from './useHunt';
import styles from './Water.module.css';

/**
 * What tells them apart, the most telling first; each outcome moves what it may be.
 *
 * @param steps - with what the series says where nobody answered
 */
export function Steps({ steps }: { steps: StepsDone }) {
  const { hunt, put } = useHunt();
  const next = nextStep(steps);
  const order = [...HUNT_STEPS].sort((a, b) => Number(b === next) - Number(a === next));
  return (
    <section aria-label="What tells them apart">
      <h2>What tells them apart</h2>
      <ul className={styles.steps}>
        {order.map((step) => (
          <Step
            key={step}
            step={step}
            isNext={step === next}
            outcome={steps[step]?.outcome ?? null}
            bySeries={!hunt.steps[step] && steps[step] !== undefined}
            began={hunt.timers[step]}
            onAnswer={(outcome) => put(STEP_WORDS[step].ask, answered(hunt, step, outcome))}
            onTime={() => put('Timer', { timers: timed(hunt.timers, step) })}
          />
        ))}
      </ul>
    </section>
  );
}

/** The same answer once more takes it back; an answer ends the step's timer. */
function answered(hunt: HuntValue, step: HuntStep, outcome: StepOutcome): Pick<HuntValue, 'steps' | 'timers'> {
  const { [step]: before, ...steps } = hunt.steps;
  const timers = without(hunt.timers, step);
  return { timers, steps: before?.outcome === outcome ? steps : { ...steps, [step]: { outcome, at: Date.now() } } };
}

function timed(timers: HuntValue['timers'], step: HuntStep): HuntValue['timers'] {
  return timers[step] === undefined ? { ...timers, [step]: Date.now() } : without(timers, step);
}

function without({ ...timers }: HuntValue['timers'], step: HuntStep): HuntValue['timers'] {
  delete timers[step];
  return timers;
}
