'use client';

import { Button } from 'antd';
import Link from 'next/link';
import type { Round } from '@core/round/round';
import { stopRowOf } from '@core/round/round';
import type { Stop } from '@core/round/stops';
import { PutBackList } from '@ui/round/PutBackList';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './RoundEnd.module.css';

/** Before leaving: what was not looked at, what is unsolved, and what must be put back. */
export function RoundEnd({ round, onGo }: { round: Round; onGo(stop: Stop): void }) {
  const { document } = useVisit();
  const of = (wanted: string | null) => round.stops.filter(({ key }) => (round.outcomes.get(key) ?? null) === wanted);
  const places = new Map(round.groups.map(({ id, name }) => [id, name]));
  const { stops, answered } = round.coverage;
  const lists = [
    ['Still open', of(null)],
    ['Could not be reached', of('unreached')],
    ['Unsolved', of('unsolved')],
  ] as const;
  return (
    <div className={styles.end}>
      <h1>{answered === stops ? `All ${stops} stops are answered` : `${stops - answered} of ${stops} stops are open`}</h1>
      <section className={styles.card}>
        <h2>Before you leave: put back</h2>
        <PutBackList />
      </section>
      {lists.map(([title, list]) =>
        list.length === 0 ? null : (
          <section key={title} className={styles.card}>
            <h2>{title}</h2>
            <ul>
              {list.map((stop) => (
                <li key={stop.key}>
                  <Button onClick={() => onGo(stop)}>
                    {places.get(stop.groupId)} · {stop.title}
                  </Button>
                  <span>{stopRowOf(document, stop.key).value.reason}</span>
                </li>
              ))}
            </ul>
          </section>
        ),
      )}
      <Link href={`/visits/${document.visitId}/bench`}>
        <Button type="primary" size="large">
          Read the frames on the bench
        </Button>
      </Link>
    </div>
  );
}
