'use client';

import { Alert, Button } from 'antd';
import { cameraIdOfFrame, framesOf } from '@core/visit/frames';
import { findingsTakenOut } from '@core/visit/findings';
import { isPractice } from '@core/visit/practice';
import type { VisitValue } from '@core/visit/visitRow';
import { visitRow } from '@core/visit/theVisit';
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
  const { upgraded } = visit.value;
  const out = findingsTakenOut(document);
  const nameless =
    !isPractice(document) && later === '' && framesOf(document).some(({ id }) => cameraIdOfFrame(document, id) === null);
  if (!upgraded && !nameless) return null;
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
      {nameless && <CameraQuestion onLater={() => setLater('asked')} />}
    </div>
  );
}
