'use client';

import { CheckOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { Slot } from '@core/method/weather/bestSlots';
import { gradeOf } from '@core/method/weather/rated';
import { localDay, localTime } from '@core/ground/localTime';
import { useNow } from '@ui/time/useNow';
import { useUnits } from '@ui/units/UnitProvider';
import type { ScoredWeek } from './useHours';
import styles from './SlotList.module.css';

/** The best slots, each with what it is good for, and the one that was settled on. */
export function SlotList({
  week,
  slot,
  onSettle,
  onLook,
}: {
  week: ScoredWeek;
  slot: { from: number; to: number } | null;
  onSettle(slot: { from: number; to: number } | null): void;
  onLook(slot: Slot): void;
}) {
  const units = useUnits();
  const now = useNow();
  const { timezone } = week.plan;
  const settled = (one: Slot) => slot?.from === one.from && slot.to === one.to;
  const lost = slot !== null && !week.slots.some(settled);
  return (
    <section className={styles.slots} aria-label="Best slots">
      <h2>Best slots</h2>
      {week.slots.length === 0 && <p className={styles.quiet}>None of this week is good enough.</p>}
      {lost && (
        <div className={styles.lost}>
          <span>
            {slot.to < now
              ? `The visit was on ${slotWords(slot, timezone)}.`
              : `You settled on ${slotWords(slot, timezone)}. It is not among the best now.`}
          </span>
          <Button size="small" onClick={() => onSettle(null)}>
            Give it up
          </Button>
        </div>
      )}
      <ol>
        {week.slots.map((one) => (
          <li key={one.from} data-settled={settled(one)}>
            <span className={styles.grade} data-grade={gradeOf(one.score)}>
              {gradeOf(one.score)}
            </span>
            <button type="button" className={styles.when} onClick={() => onLook(one)}>
              {slotWords(one, timezone)}
            </button>
            <span className={styles.kelvin}>{units.difference(one.differenceK)}</span>
            <p>{one.summary}</p>
            <Button
              size="small"
              type={settled(one) ? 'primary' : 'default'}
              icon={settled(one) ? <CheckOutlined /> : undefined}
              aria-pressed={settled(one)}
              aria-label={`Settle on ${slotWords(one, timezone)}`}
              onClick={() => onSettle(settled(one) ? null : { from: one.from, to: one.to })}
            >
              {settled(one) ? 'Settled' : 'Settle on it'}
            </Button>
          </li>
        ))}
      </ol>
    </section>
  );
}

export function slotWords({ from, to }: { from: number; to: number }, timeZone: string): string {
  return `${localDay(from, timeZone, 'short')}, ${localTime(from, timeZone)}–${localTime(to, timeZone)}`;
}
