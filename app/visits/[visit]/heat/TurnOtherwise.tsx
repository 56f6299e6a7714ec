'use client';

import { MinusOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { turnWords } from '@core/work/heating/balance';
import { EIGHTH } from '@core/method/heating/balance/state';
import styles from './Heat.module.css';

/** A lockshield that was turned to another eighth than was asked for; beyond its stop nobody can say. */
export function TurnOtherwise({
  from,
  turnsOpen,
  wanted,
  onTurned,
  onBack,
}: {
  from: number;
  turnsOpen: number;
  wanted: number;
  onTurned(to: number): void;
  onBack(): void;
}) {
  const [to, setTo] = useState(wanted);
  const stop = Math.floor(turnsOpen / EIGHTH + 1e-9) * EIGHTH;
  const step = (by: number) => setTo((now) => Math.max(0, Math.min(stop, now + by)));
  return (
    <div className={styles.card}>
      <span className={styles.quiet}>
        Stands now at (it was {turnWords(from)}; its stop is at {turnWords(stop)}):
      </span>
      <div className={styles.row}>
        <Button icon={<MinusOutlined />} aria-label="An eighth less" disabled={to <= 0} onClick={() => step(-EIGHTH)} />
        <b>{turnWords(to)} turns</b>
        <Button icon={<PlusOutlined />} aria-label="An eighth more" disabled={to >= stop} onClick={() => step(EIGHTH)} />
      </div>
      <Button type="primary" onClick={() => onTurned(to)}>
        It stands there
      </Button>
      <Button onClick={onBack}>Back</Button>
    </div>
  );
}
