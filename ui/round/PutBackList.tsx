'use client';

import { CheckOutlined, DeleteOutlined, RollbackOutlined, WarningOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { CHANGE_KINDS, CHANGES, type ChangeKind } from '@core/round/changes';
import { putBackValueSchema, type PutBackValue } from '@core/round/rows';
import { siteOf } from '@core/visit/derive';
import { localTime } from '@core/units/localTime';
import type { Row } from '@core/visit/rows';
import { CommitText } from '@ui/form/CommitText';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './PutBackList.module.css';

const now = () => Date.now();
const { what: whatSchema, was: wasSchema, now: nowSchema } = putBackValueSchema.shape;

/** Everything that was changed for the survey: what it was, what it is now, and whether it is put back. */
export function PutBackList() {
  const { document, edit } = useVisit();
  const [kind, setKind] = useState<ChangeKind>('thermostat');
  const rows = Object.values(document.rows.putBack).sort(
    (a, b) => Number(a.value.putBackAt !== null) - Number(b.value.putBackAt !== null) || a.value.changedAt - b.value.changedAt,
  );
  const put = (row: Row<'putBack'>, label: string, change: Partial<PutBackValue>) =>
    edit(label, [{ entity: 'putBack', rowId: row.id, value: { ...row.value, ...change } }]);
  const add = () => {
    const { example } = CHANGES[kind];
    const value = { visitId: document.visitId, kind, ...example, changedAt: now(), putBackAt: null };
    edit(`To put back: ${example.what}`, [{ entity: 'putBack', rowId: newId(), value }]);
  };
  return (
    <div className={styles.list}>
      {rows.length === 0 && (
        <p className={styles.quiet}>Nothing was changed yet. Whatever you change for the survey, write it down here at once.</p>
      )}
      {rows.map((row) => {
        const { what, was, now: is, changedAt, putBackAt, kind: of } = row.value;
        const { caution } = CHANGES[of];
        return (
          <article key={row.id} className={styles.row} data-done={putBackAt !== null} data-serious={caution !== null}>
            <div className={styles.fields}>
              <CommitText
                label={`What was changed, ${what}`}
                value={what}
                schema={whatSchema}
                onCommit={(next) => put(row, 'What was changed', { what: next })}
              />
              <label>
                <span>was</span>
                <CommitText
                  label={`Value before, ${what}`}
                  value={was}
                  schema={wasSchema}
                  onCommit={(next) => put(row, 'Value before', { was: next })}
                />
              </label>
              <label>
                <span>is now</span>
                <CommitText
                  label={`Value now, ${what}`}
                  value={is}
                  schema={nowSchema}
                  onCommit={(next) => put(row, 'Value now', { now: next })}
                />
              </label>
            </div>
            <div className={styles.actions}>
              {putBackAt === null ? (
                <Button
                  type="primary"
                  icon={<RollbackOutlined />}
                  onClick={() => put(row, `Put back: ${what}`, { putBackAt: now() })}
                >
                  Put back
                </Button>
              ) : (
                <Button icon={<CheckOutlined />} onClick={() => put(row, `Not put back: ${what}`, { putBackAt: null })}>
                  Put back at {localTime(new Date(putBackAt).toISOString(), siteOf(document).timeZone)}
                </Button>
              )}
              <Button
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Remove ${what}`}
                onClick={() => edit(`Removed: ${what}`, [{ entity: 'putBack', rowId: row.id, value: null }])}
              />
            </div>
            <small className={styles.quiet}>
              {CHANGES[of].words} · changed at {localTime(new Date(changedAt).toISOString(), siteOf(document).timeZone)}
            </small>
            {caution && putBackAt === null && (
              <p className={styles.caution} role="note">
                <WarningOutlined /> {caution}
              </p>
            )}
          </article>
        );
      })}
      <div className={styles.add}>
        <Select
          aria-label="Kind of change"
          value={kind}
          options={CHANGE_KINDS.map((one) => ({ value: one, label: CHANGES[one].words }))}
          onChange={setKind}
        />
        <Button onClick={add}>I changed something</Button>
      </div>
    </div>
  );
}
