'use client';

import { Button, Modal, Radio } from 'antd';
import { useState } from 'react';
import type { Stale } from '@core/model/command';
import { entityOf } from '@core/model/entityOf';
import { readable } from '@core/ground/readable';
import { useUnits } from '@ui/units/UnitProvider';
import type { RowChange } from './held';
import type { Choice, Conflict } from './sender';
import styles from './ConflictDialog.module.css';

const moment = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** Somebody else changed the same things: all of them with both values, nothing lost until somebody chooses. */
export function ConflictDialog({ conflict, onSettle }: { conflict: Conflict; onSettle(choices: Record<string, Choice>): void }) {
  const { stale, changes } = conflict;
  const all = (choice: Choice) => Object.fromEntries(stale.map(({ rowId }) => [rowId, choice]));
  const [choices, setChoices] = useState(() => all('mine'));
  const several = stale.length > 1;
  const labels = [...new Set(stale.map(({ entity }) => entityOf(entity).label))];
  return (
    <Modal
      open
      width={640}
      title={several ? `${stale.length} things of this step were changed elsewhere` : `This ${labels[0]} was changed elsewhere`}
      closable={false}
      footer={[
        <Button key="stored" onClick={() => onSettle(all('stored'))}>
          {several ? 'Keep all that is stored' : 'Keep what is stored'}
        </Button>,
        <Button key="mine" type={several ? 'default' : 'primary'} onClick={() => onSettle(all('mine'))}>
          {several ? 'Use all of mine instead' : 'Use mine instead'}
        </Button>,
        several && (
          <Button key="each" type="primary" onClick={() => onSettle(choices)}>
            As chosen
          </Button>
        ),
      ]}
    >
      <div className={styles.rows}>
        {stale.map((one) => (
          <section key={one.rowId}>
            {several && (
              <div className={styles.head}>
                <h3>{nameOf(one)}</h3>
                <Radio.Group
                  size="small"
                  aria-label={`What is kept of ${nameOf(one)}`}
                  value={choices[one.rowId]}
                  options={[
                    { value: 'mine', label: 'mine' },
                    { value: 'stored', label: 'stored' },
                  ]}
                  onChange={({ target }) => setChoices({ ...choices, [one.rowId]: target.value as Choice })}
                />
              </div>
            )}
            <Values stale={one} change={changes.find(({ rowId }) => rowId === one.rowId) ?? null} />
          </section>
        ))}
      </div>
    </Modal>
  );
}

/** What a row is called, as far as it has a name. */
function nameOf({ entity, stored }: Stale): string {
  const { name, title } = (stored?.value ?? {}) as { name?: string; title?: string };
  const { label } = entityOf(entity);
  return (name ?? title) ? `${label} “${name ?? title!}”` : label;
}

function Values({ stale: { entity, stored }, change }: { stale: Stale; change: RowChange | null }) {
  const { temperature } = useUnits();
  const mine = change?.value as Record<string, unknown> | null | undefined;
  const theirs = stored?.value as Record<string, unknown> | undefined;
  const how = { moment: (ms: number) => moment.format(ms), temperature: (celsius: number) => temperature(celsius) };
  const fields = Object.entries(entityOf(entity).words).filter(
    ([field]) => JSON.stringify(mine?.[field]) !== JSON.stringify(theirs?.[field]),
  );
  return (
    <>
      <table className={styles.values}>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Mine</th>
            <th scope="col">Stored</th>
          </tr>
        </thead>
        <tbody>
          {fields.map(([field, words]) => (
            <tr key={field}>
              <th scope="row">{words}</th>
              <td>{mine ? readable(mine[field], field, how) : 'removed'}</td>
              <td>{theirs ? readable(theirs[field], field, how) : 'removed'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {fields.length === 0 && <p>Only its place in a list differs.</p>}
    </>
  );
}
