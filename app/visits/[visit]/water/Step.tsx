'use client';

import { ClockCircleOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { HYPOTHESIS_WORDS, OUTCOME_WORDS, STEP_WORDS } from '@core/work/water/huntWords';
import { OUTCOMES, speaksFor, weighed, type HuntStep, type StepOutcome } from '@core/model/hypotheses';
import { STEP_MINUTES, timedStep } from '@core/work/water/stepMinutes';
import { useNow } from '@ui/time/useNow';
import styles from './Water.module.css';

/** From this on an outcome is said to speak for or against something. */
const SPEAKS = 2;
const LOOK_MS = 10_000;

/** One thing that is done to tell hypotheses apart, with its timer and what came of it. */
export function Step({
  step,
  isNext,
  outcome,
  bySeries,
  began,
  onAnswer,
  onTime,
}: {
  step: HuntStep;
  isNext: boolean;
  outcome: StepOutcome | null;
  /** Whether the frames answered it, and nobody else. */
  bySeries: boolean;
  /** When its timer was started, ms since 1970. */
  began: number | undefined;
  onAnswer(outcome: StepOutcome): void;
  onTime(): void;
}) {
  const { ask, how } = STEP_WORDS[step];
  return (
    <li data-next={isNext} aria-label={ask}>
      <b>{ask}</b>
      {(isNext || outcome === null) && <small>{how}</small>}
      {outcome !== null && outcome !== 'unclear' && (
        <small>
          {bySeries && 'The series says so. '}
          {reasons(step, outcome)}
        </small>
      )}
      {outcome === null && STEP_MINUTES[step] !== undefined && <Timer step={step} began={began} onTime={onTime} />}
      <div role="group" aria-label={ask}>
        {OUTCOMES.map((one) => (
          <Button
            key={one}
            size="small"
            type={outcome === one ? 'primary' : 'default'}
            aria-pressed={outcome === one}
            onClick={() => onAnswer(one)}
          >
            {OUTCOME_WORDS[one]}
          </Button>
        ))}
      </div>
    </li>
  );
}

function Timer({ step, began, onTime }: { step: HuntStep; began: number | undefined; onTime(): void }) {
  const timed = timedStep(step, began, useNow(LOOK_MS));
  return (
    <div className={styles.timer}>
      <Button size="small" icon={<ClockCircleOutlined />} onClick={onTime}>
        {timed ? 'Stop the clock' : `Start ${STEP_MINUTES[step]} min`}
      </Button>
      {timed && (
        <span role="timer" data-over={timed.over}>
          {timed.over ? `${timed.of} min are over: what came of it?` : `${timed.minutes} of ${timed.of} min`}
        </span>
      )}
    </div>
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
