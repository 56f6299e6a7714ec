'use client';

import type { LoanHomes, PlannedLoan } from '@core/work/loan/planLoan';
import { gradeOf } from '@core/method/weather/rated';
import { localDay, localTime } from '@core/ground/localTime';
import styles from './TurnList.module.css';

/** Who has the camera when, what was given up for it, and who waits. */
export function TurnList({ loan: { loan, homes }, planned }: { loan: LoanHomes; planned: PlannedLoan }) {
  const { timeZone } = loan.value;
  const names = new Map(homes.map(({ row, site }) => [row.id, site.value.name]));
  const clock = (time: number) => localTime(time, timeZone);
  const dayOf = (time: number) => localDay(time, timeZone, 'long');
  return (
    <>
      {planned.turns.length === 0 && (
        <p className={styles.quiet}>{homes.length === 0 ? 'No home waits yet.' : 'No home can be served.'}</p>
      )}
      <ol className={styles.turns}>
        {planned.turns.map((turn, i) => {
          const day = dayOf(turn.from);
          const before = planned.turns[i - 1];
          const trade = planned.tradeOffs.find(({ homeId }) => homeId === turn.homeId);
          return (
            <li key={turn.homeId}>
              {(!before || dayOf(before.from) !== day) && <h3>{day}</h3>}
              <div className={styles.turn}>
                <span className={styles.grade} data-grade={gradeOf(turn.score)}>
                  {gradeOf(turn.score)}
                </span>
                <span>
                  <b>
                    {clock(turn.from)}–{clock(turn.to)}
                  </b>{' '}
                  {names.get(turn.homeId)}
                  {trade && <small>{trade.words}</small>}
                </span>
              </div>
            </li>
          );
        })}
      </ol>
      {planned.waiting.length > 0 && (
        <>
          <h3 className={styles.waitHead}>Waiting</h3>
          <ul className={styles.waiting}>
            {planned.waiting.map(({ homeId, words }) => (
              <li key={homeId}>
                <b>{names.get(homeId)}</b> {words}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
