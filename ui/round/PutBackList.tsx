'use client';

import { CheckOutlined, DeleteOutlined, RollbackOutlined, WarningOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { CHANGE_KINDS, CHANGES, type ChangeKind } from '@core/model/changeKinds';
import type { Row } from '@core/model/entities';
import { type PutBackValue, putBackValueSchema } from '@core/model/putBackRow';
import { siteOf } from '@core/work/visit/theVisit';
import { localTime } from '@core/ground/localTime';
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
  const remove = (row: Row<'putBack'>) => edit(`Removed: ${row.value.what}`, [{ entity: 'putBack', rowId: row.id, value: null }]);
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
      {rows.map((row) =>
        row.value.putBackAt === null ? (
          <OpenChange key={row.id} row={row} onPut={put} onRemove={() => remove(row)} />
        ) : (
          <DoneChange key={row.id} row={row} onPut={put} onRemove={() => remove(row)} />
        ),
      )}
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

interface ChangeProps {
  row: Row<'putBack'>;
  onPut(row: Row<'putBack'>, label: string, change: Partial<PutBackValue>): void;
  onRemove(): void;
}

function useClock(): (moment: number) => string {
  const { timeZone } = siteOf(useVisit().document);
  return (moment) => localTime(moment, timeZone);
}

/** Still to be put back: all of it can be corrected, and what can happen is said. */
function OpenChange({ row, onPut, onRemove }: ChangeProps) {
  const clock = useClock();
  const { what, was, now: is, changedAt, kind } = row.value;
  const { caution, words } = CHANGES[kind];
  return (
    <article className={styles.row} data-serious={caution !== null}>
      <div className={styles.fields}>
        <CommitText
          label={`What was changed, ${what}`}
          value={what}
          schema={whatSchema}
          onCommit={(next) => onPut(row, 'What was changed', { what: next })}
        />
        <label>
          <span>was</span>
          <CommitText
            label={`Value before, ${what}`}
            value={was}
            schema={wasSchema}
            onCommit={(next) => onPut(row, 'Value before', { was: next })}
          />
        </label>
        <label>
          <span>is now</span>
          <CommitText
            label={`Value now, ${what}`}
            value={is}
            schema={nowSchema}
            onCommit={(next) => onPut(row, 'Value now', { now: next })}
          />
        </label>
      </div>
      <div className={styles.actions}>
        <Button type="primary" icon={<RollbackOutlined />} onClick={() => onPut(row, `Put back: ${what}`, { putBackAt: now() })}>
          Put back
        </Button>
        <Button type="text" icon={<DeleteOutlined />} aria-label={`Remove ${what}`} onClick={onRemove} />
      </div>
      <small className={styles.quiet}>
        {words} · changed at {clock(changedAt)}
      </small>
      {caution && (
        <p className={styles.caution} role="note">
          <WarningOutlined /> {caution}
        </p>
      )}
    </article>
  );
}

/** Put back: one line. */
function DoneChange({ row, onPut, onRemove }: ChangeProps) {
  const clock = useClock();
  const { what, was, putBackAt } = row.value;
  return (
    <article className={styles.row} data-done="true">
      <p className={styles.line}>
        <CheckOutlined aria-label="done" /> <b>{what}</b>: {was} again since {clock(putBackAt!)}
      </p>
      <div className={styles.actions}>
        <Button type="text" onClick={() => onPut(row, `Not put back: ${what}`, { putBackAt: null })}>
          Not yet
        </Button>
        <Button type="text" icon={<DeleteOutlined />} aria-label={`Remove ${what}`} onClick={onRemove} />
      </div>
    </article>
  );
}
