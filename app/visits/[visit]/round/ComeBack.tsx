'use client';

import { CheckOutlined, HistoryOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { openStops } from '@core/work/round/openStops';
import type { Round } from '@core/work/round/round';
import type { Stop } from '@core/work/round/stops';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './RoomList.module.css';

/** Stops at which the last visit left something open: these come first. */
export function ComeBack({ round, current, onChoose }: { round: Round; current: Stop | null; onChoose(stop: Stop): void }) {
  const { document } = useVisit();
  const left = openStops(round, document.earlier);
  if (left.length === 0) return null;
  return (
    <nav className={styles.back} aria-label="Come back to">
      <p>Left open before: these first</p>
      {left.map(({ stop, titles, done }) => (
        <Button
          key={stop.key}
          block
          icon={done ? <CheckOutlined /> : <HistoryOutlined />}
          aria-current={current?.key === stop.key}
          onClick={() => onChoose(stop)}
        >
          <span>
            {titles.join(', ')}
            <small>{stop.title}</small>
          </span>
        </Button>
      ))}
    </nav>
  );
}
