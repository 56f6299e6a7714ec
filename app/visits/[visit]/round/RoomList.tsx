'use client';

import { coverageOf, minutesIn, type Outcome } from '@core/work/round/coverage';
import type { Round } from '@core/work/round/round';
import type { Stop } from '@core/work/round/stops';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './RoomList.module.css';

const OUTCOME_WORDS: Record<NonNullable<Outcome>, string> = {
  seen: 'seen',
  nothing: 'nothing to see',
  unreached: 'could not be reached',
  unsolved: 'unsolved',
};

/** Rooms and sides of the house in the order of the walk, each with how much of it was looked at. */
export function RoomList({ round, current, onChoose }: { round: Round; current: Stop | null; onChoose(stop: Stop): void }) {
  const { document } = useVisit();
  const answers = Object.values(document.rows.stop);
  return (
    <nav className={styles.list} aria-label="Rooms of the round">
      {round.groups.map((group) => {
        const { stops, answered } = coverageOf(group.stops, round.outcomes);
        const here = current !== null && current.groupId === group.id;
        const next = group.stops.find(({ key }) => round.outcomes.get(key) === null) ?? group.stops[0]!;
        const minutes = minutesIn(group, answers);
        return (
          <button
            key={group.id ?? 'house'}
            type="button"
            className={styles.room}
            aria-current={here}
            onClick={() => onChoose(next)}
          >
            <b>{group.name}</b>
            <small>
              {answered} of {stops}
              {minutes !== null && minutes >= 1 ? ` · ${Math.round(minutes)} min` : ''}
            </small>
            <span className={styles.segments} role="img" aria-label={segmentWords(group.stops, round)}>
              {group.stops.map(({ key }) => (
                <i key={key} data-outcome={round.outcomes.get(key) ?? 'open'} data-here={current?.key === key} />
              ))}
            </span>
          </button>
        );
      })}
    </nav>
  );
}

function segmentWords(stops: Stop[], round: Round): string {
  return stops
    .map(({ key, title }) => {
      const outcome = round.outcomes.get(key);
      return `${title}: ${outcome ? OUTCOME_WORDS[outcome] : 'open'}`;
    })
    .join('; ');
}
