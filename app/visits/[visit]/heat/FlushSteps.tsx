'use client';

import { CheckCircleFilled, MinusCircleOutlined, WarningOutlined } from '@ant-design/icons';
import { App, Button, Input } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { flushOf } from '@core/work/heating/heatingOf';
import { FLUSH_STEPS, FLUSH_WORDS, whatKeeps, type FlushStep } from '@core/method/heating/flushSteps';
import { CHANGES } from '@core/model/changeKinds';
import { putBackValueSchema } from '@core/model/putBackRow';
import { openChanges } from '@core/work/round/round';
import { useHeat } from './useHeat';
import heat from './Heat.module.css';
import styles from './Flush.module.css';

/** The steps of a flush, one after the other, each with its time; nothing heats before vents and feeds are back. */
export function FlushSteps() {
  const { document, edit, now, clock } = useHeat();
  const { message } = App.useApp();
  const row = flushOf(document);
  const { steps } = row.value;
  const done = new Set(Object.keys(steps) as FlushStep[]);
  const vents = openChanges(document).filter(({ value }) => value.kind === 'vent');
  const names = vents.map(({ value }) => value.what);
  const upcoming = FLUSH_STEPS.find((step) => !done.has(step));
  const toggle = (step: FlushStep) => {
    const next = { ...steps };
    if (next[step] !== undefined) delete next[step];
    else {
      const kept = whatKeeps(step, done, names);
      if (kept) return void message.warning(kept, 8);
      next[step] = now();
    }
    edit(FLUSH_WORDS[step].title, [{ entity: 'flush', rowId: row.id, value: { ...row.value, steps: next } }]);
  };
  return (
    <>
      <h2>
        Flush · {done.size} of {FLUSH_STEPS.length}
      </h2>
      {FLUSH_STEPS.map((step) => {
        const { title, help, caution } = FLUSH_WORDS[step];
        const at = steps[step];
        // Only the next step is explained: the list stays one look long.
        const next = step === upcoming;
        const kept = next ? whatKeeps(step, done, names) : null;
        return (
          <div key={step} className={styles.step}>
            <Button
              className={styles.toggle ?? ''}
              aria-pressed={at !== undefined}
              icon={at === undefined ? <MinusCircleOutlined /> : <CheckCircleFilled />}
              onClick={() => toggle(step)}
            >
              {title}
              {at === undefined ? '' : ` · ${clock(at)}`}
            </Button>
            {next && <span className={heat.quiet}>{help}</span>}
            {next && caution && (
              <p className={heat.caution} role="note">
                <WarningOutlined /> {caution}
              </p>
            )}
            {kept && <p className={heat.problem}>{kept}</p>}
            {step === 'vents-capped' && done.has('off') && !done.has('vents-back') && <Capped />}
            {step === 'vents-back' &&
              vents.map((vent) => (
                <Button
                  key={vent.id}
                  onClick={() =>
                    edit(`Put back: ${vent.value.what}`, [
                      { entity: 'putBack', rowId: vent.id, value: { ...vent.value, putBackAt: now() } },
                    ])
                  }
                >
                  Open again: {vent.value.what}
                </Button>
              ))}
          </div>
        );
      })}
    </>
  );
}

/** A vent or feed that is capped goes on the put-back list by name. */
function Capped() {
  const { document, edit, now } = useHeat();
  const [what, setWhat] = useState('');
  const checked = putBackValueSchema.shape.what.safeParse(what);
  return (
    <form
      className={heat.row}
      onSubmit={(event) => {
        event.preventDefault();
        if (!checked.success) return;
        const value = {
          visitId: document.visitId,
          kind: 'vent' as const,
          what: checked.data,
          was: CHANGES.vent.example.was,
          now: 'capped',
          changedAt: now(),
          putBackAt: null,
        };
        edit(`Capped: ${checked.data}`, [{ entity: 'putBack', rowId: newId(), value }]);
        setWhat('');
      }}
    >
      <Input
        aria-label="Vent or feed that is capped"
        placeholder="Open vent, cold feed …"
        value={what}
        onChange={(event) => setWhat(event.target.value)}
      />
      <Button htmlType="submit" disabled={!checked.success}>
        Capped it
      </Button>
    </form>
  );
}
