'use client';

import { Button } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import type { Round } from '@core/work/round/round';
import { stopRowOf, struckStops } from '@core/work/round/round';
import type { Stop } from '@core/work/round/stops';
import { number } from '@core/ground/format';
import { openFindings, shoppingList } from '@core/work/visit/findings';
import { PutBackList } from '@ui/round/PutBackList';
import { useVisit } from '@ui/visit/VisitProvider';
import { NextRound } from '../NextRound';
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
      <ToDo />
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
      <Struck />
      <section className={styles.card}>
        <h2>The next round</h2>
        <NextRound />
      </section>
      <QuickLink href={`/visits/${document.visitId}/bench`}>
        <Button type="primary" size="large">
          Read the frames on the bench
        </Button>
      </QuickLink>
    </div>
  );
}

/** What was found and not closed, with the metres and materials that it takes. */
function ToDo() {
  const { document } = useVisit();
  const open = openFindings(document);
  const list = shoppingList(document);
  if (open.length === 0) return null;
  const need = (lengthM: number | null, material: string) =>
    [lengthM === null ? '' : `${number(lengthM, 1)} m`, material].filter(Boolean).join(' of ');
  return (
    <section className={styles.card}>
      <h2>Found and not closed</h2>
      <ul>
        {open.map(({ id, value: { title, lengthM, material } }) => (
          <li key={id}>
            <QuickLink href={`/visits/${document.visitId}/findings/${id}`}>{title}</QuickLink>
            <span>{need(lengthM, material)}</span>
          </li>
        ))}
      </ul>
      {list.length > 0 && (
        <p>
          <b>To bring:</b> {list.map(({ material, lengthM }) => need(lengthM, material)).join(', ')}
        </p>
      )}
    </section>
  );
}

/** Stops that were taken off this round by hand. */
function Struck() {
  const { document, edit } = useVisit();
  const struck = struckStops(document);
  if (struck.length === 0) return null;
  return (
    <section className={styles.card}>
      <h2>Struck off</h2>
      <ul>
        {struck.map(({ group, stop, row }) => (
          <li key={stop.key}>
            <Button
              onClick={() =>
                edit(`Taken in again: ${stop.title}`, [{ entity: 'stop', rowId: row.id, value: { ...row.value, struck: false } }])
              }
            >
              Take in again
            </Button>
            <span>
              {group} · {stop.title}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
