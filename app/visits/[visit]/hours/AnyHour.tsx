'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { KINDS } from '@core/model/visitKinds';
import type { PlanValue } from '@core/model/planRow';
import { onlyRow, siteOf } from '@core/work/visit/theVisit';
import { clockMoment, clockText } from '@ui/form/clockField';
import { useNow } from '@ui/time/useNow';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Hours.module.css';

const MINUTE = 60_000;
/** How long a visit usually takes, minutes. */
const LENGTHS = [60, 90, 120, 180];

/** For questions that any weather answers: only a time has to be settled. */
export function AnyHour({ onSettle }: { onSettle(slot: PlanValue['slot']): void }) {
  const { document } = useVisit();
  const { timeZone } = siteOf(document);
  const { kind } = onlyRow(document, 'intake').value;
  const { slot } = onlyRow(document, 'plan').value;
  const now = useNow();
  const [typed, setTyped] = useState<string | null>(null);
  const [minutes, setMinutes] = useState(slot ? Math.round((slot.to - slot.from) / MINUTE) : 90);
  const text = typed ?? clockText(slot?.from ?? Math.ceil(now / (30 * MINUTE)) * 30 * MINUTE, timeZone);
  const from = clockMoment(text, timeZone);
  return (
    <section className={styles.card} aria-label="A time of your own">
      <h2>{KINDS[kind].anyWeather ? 'For this question the weather hardly matters' : 'A time of your own'}</h2>
      <p className={styles.quiet}>
        {KINDS[kind].hours}{' '}
        {KINDS[kind].anyWeather
          ? 'Settle a time; the board below is there all the same.'
          : 'Without weather no hour is proposed: settle one yourself, or say below what the weather will be.'}
      </p>
      <div className={styles.bar}>
        <label className={styles.from}>
          From
          <input type="datetime-local" value={text} onChange={(event) => setTyped(event.target.value)} />
        </label>
        <Select
          aria-label="How long"
          value={minutes}
          onChange={setMinutes}
          options={[...new Set([...LENGTHS, minutes])].map((value) => ({ value, label: `${value} minutes` }))}
        />
        <Button
          type="primary"
          disabled={from === null}
          onClick={() => {
            if (from !== null) onSettle({ from, to: from + minutes * MINUTE });
            setTyped(null);
          }}
        >
          Settle on it
        </Button>
        {slot && (
          <Button type="link" onClick={() => onSettle(null)}>
            Give it up
          </Button>
        )}
      </div>
    </section>
  );
}
