'use client';

import { Alert, Button } from 'antd';
import { cameraIdOfFrame, framesOf } from '@core/work/visit/frames';
import { findingsTakenOut } from '@core/work/visit/findings';
import { isPractice } from '@core/work/visit/practice';
import type { VisitValue } from '@core/model/visitRow';
import { localDay, localTime } from '@core/ground/localTime';
import { onlyRow, siteOf, visitRow } from '@core/work/visit/theVisit';
import { localDayNumber } from '@core/method/weather/board';
import { CameraQuestion } from '@ui/camera/CameraQuestion';
import { useKept } from '@ui/kept';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Notices.module.css';

const UPGRADED_WORDS: Record<NonNullable<VisitValue['upgraded']>, string> = {
  'became-practice':
    'All frames of this visit were taken by the stand-in camera in an invented room: it is a practice visit now. Nothing was lost.',
  'frames-out':
    'Frames of the stand-in camera lay among the real ones. They show an invented room, so they were taken out: they count nowhere, and are kept.',
};

/** What a visit has to say or to ask on every page, once. */
export function Notices() {
  const { document, edit } = useVisit();
  const visit = visitRow(document);
  const [later, setLater] = useKept<string>(`camera of ${document.visitId}`, '', (kept) => kept);
  const [dated, setDated] = useKept<string>(`day of ${document.visitId}`, '', (kept) => kept);
  const { upgraded } = visit.value;
  const out = findingsTakenOut(document);
  const nameless =
    !isPractice(document) && later === '' && framesOf(document).some(({ id }) => cameraIdOfFrame(document, id) === null);
  const { timeZone } = siteOf(document);
  const { slot } = onlyRow(document, 'plan').value;
  const early =
    slot !== null && dated === '' && localDayNumber(visit.value.startedAt, timeZone) < localDayNumber(slot.from, timeZone);
  if (!upgraded && !nameless && !early) return null;
  return (
    <div className={styles.notices}>
      {upgraded && (
        <Alert
          type="warning"
          showIcon
          title={`${UPGRADED_WORDS[upgraded]}${out > 0 ? ` So were ${out} findings that rested on them.` : ''}`}
          action={
            <Button
              onClick={() => edit('Noted', [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, upgraded: null } }])}
            >
              Understood
            </Button>
          }
        />
      )}
      {early && (
        <Alert
          type="info"
          showIcon
          title={`This visit is dated ${localDay(visit.value.startedAt, timeZone)}, before its hours: ${localDay(slot.from, timeZone)}, ${localTime(slot.from, timeZone)}. Papers print its date.`}
          action={
            <>
              <Button
                type="primary"
                onClick={() =>
                  edit('Day of the visit', [
                    { entity: 'visit', rowId: visit.id, value: { ...visit.value, startedAt: slot.from } },
                  ])
                }
              >
                Take {localDay(slot.from, timeZone)}
              </Button>{' '}
              <Button onClick={() => setDated('kept')}>Leave it</Button>
            </>
          }
        />
      )}
      {nameless && <CameraQuestion onLater={() => setLater('asked')} />}
    </div>
  );
}
