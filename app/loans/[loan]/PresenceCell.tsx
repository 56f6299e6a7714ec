'use client';

import { Button, Popover } from 'antd';
import { useState } from 'react';
import { loanHomeValueSchema } from '@core/model/loanHomeRow';
import styles from './PresenceCell.module.css';

interface Times {
  from: string;
  to: string;
}

const presenceSchema = loanHomeValueSchema.shape.presences.element;

/** One day of one home: nobody in, or from when to when; a click turns it on, another opens its times. */
export function PresenceCell({
  name,
  day,
  presence,
  usual,
  onChange,
}: {
  name: string;
  day: string;
  presence: Times | null;
  /** Taken over when the day is turned on. */
  usual: Times;
  onChange(times: Times | null): void;
}) {
  const [open, setOpen] = useState(false);
  const words = presence ? `${presence.from}–${presence.to}` : 'nobody in';
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={(next) => setOpen(next && presence !== null)}
      title={name}
      content={presence && <TimesForm key={words} times={presence} onChange={onChange} onClose={() => setOpen(false)} />}
    >
      <button
        type="button"
        className={styles.cell}
        data-in={presence !== null}
        aria-label={`${name}: ${words}`}
        onClick={() => presence === null && onChange({ from: usual.from, to: usual.to })}
      >
        <b>{day}</b>
        <span>{presence ? words : '—'}</span>
      </button>
    </Popover>
  );
}

function TimesForm({ times, onChange, onClose }: { times: Times; onChange(times: Times | null): void; onClose(): void }) {
  const [typed, setTyped] = useState(times);
  const checked = presenceSchema.safeParse({ day: '2027-01-01', ...typed });
  return (
    <div className={styles.form}>
      <label>
        In from <input type="time" value={typed.from} onChange={(event) => setTyped({ ...typed, from: event.target.value })} />
      </label>
      <label>
        until <input type="time" value={typed.to} onChange={(event) => setTyped({ ...typed, to: event.target.value })} />
      </label>
      {!checked.success && <em role="alert">The end {checked.error.issues[0]!.message}.</em>}
      <Button
        type="primary"
        disabled={!checked.success}
        onClick={() => {
          onChange(typed);
          onClose();
        }}
      >
        Keep times
      </Button>
      <Button
        onClick={() => {
          onChange(null);
          onClose();
        }}
      >
        Nobody in
      </Button>
    </div>
  );
}
