'use client';

import { CheckCircleFilled, CameraOutlined, ClockCircleOutlined, MinusCircleFilled } from '@ant-design/icons';
import { Button } from 'antd';
import { OUTCOME_WORDS } from '@core/work/proof/proofWords';
import type { ToProve } from '@core/work/proof/toProve';
import styles from './Proof.module.css';

/** The findings that are looked at again, with how far each is. */
export function ProveList({
  all,
  current,
  onOpen,
  onCompareAll,
}: {
  all: readonly ToProve[];
  current: string;
  onOpen(findingId: string): void;
  onCompareAll(waiting: readonly ToProve[]): void;
}) {
  const waiting = all.filter(({ pair, offered }) => !pair && offered.length > 0);
  const done = all.filter(({ pair }) => pair?.value.outcome).length;
  return (
    <nav className={styles.list} aria-label="Findings to prove">
      <p>
        {done} of {all.length} settled
      </p>
      {waiting.length > 1 && (
        <Button onClick={() => onCompareAll(waiting)}>Compare all {waiting.length} that have a new frame</Button>
      )}
      <ol>
        {all.map((item) => (
          <li key={item.finding.id}>
            <button
              type="button"
              aria-current={item.finding.id === current ? 'true' : undefined}
              onClick={() => onOpen(item.finding.id)}
            >
              <StateIcon item={item} />
              <span>
                {item.finding.value.title}
                <small>{stateWords(item)}</small>
              </span>
            </button>
          </li>
        ))}
      </ol>
    </nav>
  );
}

function stateWords({ pair, offered }: ToProve): string {
  if (pair?.value.outcome) return OUTCOME_WORDS[pair.value.outcome];
  if (pair) return 'Compared, not settled';
  return offered.length > 0 ? 'A new frame is there' : 'No new frame yet';
}

function StateIcon({ item: { pair, offered } }: { item: ToProve }) {
  if (pair?.value.outcome === 'closed') return <CheckCircleFilled className={styles.good} aria-hidden />;
  if (pair?.value.outcome) return <MinusCircleFilled aria-hidden />;
  return pair || offered.length > 0 ? <ClockCircleOutlined aria-hidden /> : <CameraOutlined aria-hidden />;
}
