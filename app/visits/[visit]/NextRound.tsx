'use client';

import { App, Button } from 'antd';
import { siteOf, visitRow } from '@core/work/visit/theVisit';
import { dayNumber } from '@core/method/weather/board';
import { momentOf } from '@core/ground/localClock';
import { downloadCalendar } from '@ui/weather/downloadCalendar';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './NextRound.module.css';

const HOUR_MS = 3_600_000;
/** When people usually have time, by the clock there. */
const EVENING_H = 18;

/** The day on which the next round is due: it stands in the list of sites, and can go into a calendar. */
export function NextRound() {
  const { document, edit } = useVisit();
  const { message } = App.useApp();
  const row = visitRow(document);
  const site = siteOf(document);
  const { nextDay } = row.value;
  const put = (day: string | null) =>
    edit('Next round', [{ entity: 'visit', rowId: row.id, value: { ...row.value, nextDay: day } }]);
  const intoCalendar = (day: string) => {
    const from = momentOf(dayNumber(day), EVENING_H, site.timeZone);
    const event = {
      uid: `next-${row.id}`,
      from,
      to: from + 2 * HOUR_MS,
      title: `Thermal round, ${site.name}`,
      description:
        'The same stops as last time, what was fixed since, and what is new. Choose the hours by the weather of that week.',
      location: site.address,
    };
    downloadCalendar(`${site.name} next round`, [event]).catch((error: Error) => message.error(error.message));
  };
  return (
    <div className={styles.next}>
      <label>
        Due on
        <input
          type="date"
          value={nextDay ?? ''}
          onChange={(event) => put(event.target.value || null)}
          aria-label="Next round due on"
        />
      </label>
      {nextDay && <Button onClick={() => intoCalendar(nextDay)}>Into the calendar</Button>}
    </div>
  );
}
