'use client';

import { Button } from 'antd';
import styles from './NotReached.module.css';

/** What keeps people from a place; one tap is enough. */
const REASONS = [
  'Locked or no access',
  'Covered by furniture',
  'Too high',
  'Not safe',
  'Not wanted by the people here',
  'No time left',
] as const;

export function NotReached({ onChoose, onBack }: { onChoose(reason: string): void; onBack(): void }) {
  return (
    <div className={styles.reasons} role="group" aria-label="Why could it not be reached?">
      {REASONS.map((reason) => (
        <Button key={reason} onClick={() => onChoose(reason)}>
          {reason}
        </Button>
      ))}
      <Button type="text" onClick={onBack}>
        Back
      </Button>
    </div>
  );
}
