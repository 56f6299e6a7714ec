'use client';

import { HomeOutlined, InboxOutlined } from '@ant-design/icons';
import { Button, Progress } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { usePathname } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { firstStop } from '@core/work/round/openStops';
import { openChanges, roundOf } from '@core/work/round/round';
import type { Stop } from '@core/work/round/stops';
import { rowIdFrom } from '@core/ground/rowId';
import { useVisit } from '@ui/visit/VisitProvider';
import { AddStop } from './AddStop';
import { ComeBack } from './ComeBack';
import { EmptyRound } from './EmptyRound';
import { RoomList } from './RoomList';
import { RoundEnd } from './RoundEnd';
import { StopDesk } from './StopDesk';
import { useFolderWatch } from '@ui/import/useFolderWatch';
import styles from './Round.module.css';

/** The walk through the house: one stop at a time, coverage always in view. */
export function Round() {
  const { document } = useVisit();
  const watch = useFolderWatch();
  const pathname = usePathname();
  const round = useMemo(() => roundOf(document), [document]);
  const { visitId } = document;
  const base = `/visits/${visitId}/round`;
  // The address follows a moment later; a tap in that moment must meet the stop that was gone to, not the one left.
  const [ahead, setAhead] = useState<{ from: string; to: string } | null>(null);
  if (ahead !== null && ahead.from !== pathname) setAhead(null);
  const asked = (ahead?.from === pathname ? ahead.to : pathname).slice(base.length + 1);
  const chosen = round.stops.find(({ key }) => rowIdFrom(visitId, key) === asked) ?? null;
  // Where the walk begins stays where it is when it is answered: leaving a stop is the hand's.
  const [begin] = useState(() => firstStop(round, document.earlier)?.key);
  const finished = asked === 'end';
  const current = finished ? null : (chosen ?? round.stops.find(({ key }) => key === begin) ?? round.stops[0] ?? null);
  const go = useCallback(
    (stop: Stop | null) => {
      const to = `${base}/${stop ? rowIdFrom(visitId, stop.key) : 'end'}`;
      if (to === pathname) return;
      setAhead({ from: pathname, to });
      window.history.pushState(null, '', to);
    },
    [base, pathname, visitId],
  );
  if (round.stops.length === 0) return <EmptyRound />;
  const { stops, answered, unreached, unsolved } = round.coverage;
  return (
    <div className={styles.round}>
      <aside className={styles.side}>
        <h2 className={styles.heading} data-testid="coverage">
          Round · {answered} of {stops} stops
        </h2>
        <Progress percent={Math.floor((100 * answered) / stops)} size="small" aria-label="Coverage of the round" />
        <p className={styles.quiet}>
          {[unreached > 0 && `${unreached} not reached`, unsolved > 0 && `${unsolved} unsolved`].filter(Boolean).join(' · ')}
        </p>
        {watch.waiting > 0 && (
          <p role="status">
            {watch.waiting} {watch.waiting === 1 ? 'file waits' : 'files wait'} for a stop: open the one where they belong.
          </p>
        )}
        <ComeBack round={round} current={current} onChoose={go} />
        <RoomList round={round} current={current} onChoose={go} />
        <div className={styles.links}>
          <Button onClick={() => go(null)} type={answered === stops ? 'primary' : 'default'}>
            End of the round{openChanges(document).length > 0 ? ` · ${openChanges(document).length} to put back` : ''}
          </Button>
          <AddStop />
          <QuickLink href={`${base}/house`}>
            <Button icon={<HomeOutlined />}>House</Button>
          </QuickLink>
          <QuickLink href={`${base}/card`}>
            <Button icon={<InboxOutlined />}>Card to stops</Button>
          </QuickLink>
        </div>
      </aside>
      {current ? (
        <StopDesk key={current.key} round={round} stop={current} watch={watch} onGo={go} />
      ) : (
        <RoundEnd round={round} onGo={go} />
      )}
    </div>
  );
}
