'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import type { Outcome } from '@core/work/round/coverage';
import type { EarlierStop } from '@core/model/document';
import { PHOTO_ROLES, type PhotoRole } from '@core/model/photoRow';
import type { StopValue } from '@core/model/stopRow';
import type { Stop } from '@core/work/round/stops';
import { localDay } from '@core/ground/localTime';
import { findingsOn } from '@core/work/visit/findings';
import { framesOf, photosOf } from '@core/work/visit/frames';
import { siteOf } from '@core/work/visit/theVisit';
import { Thumb } from '@ui/picture/Thumb';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './StopRecord.module.css';

const WORDS: Record<NonNullable<Outcome>, string> = {
  seen: 'Seen',
  nothing: 'Nothing to see',
  unreached: 'Could not be reached',
  unsolved: 'Unsolved',
};

const ROLE_WORDS: Record<PhotoRole, string> = { view: 'Whole view', 'close-up': 'Close-up', plate: 'Rating plate' };

/** What this stop has brought: answer, pictures, notes; and what it showed last time. */
export function StopRecord({
  stop,
  value,
  outcome,
  earlier,
}: {
  stop: Stop;
  value: StopValue;
  outcome: Outcome;
  earlier: EarlierStop | null;
}) {
  const { document, edit } = useVisit();
  const units = useUnits();
  const frames = framesOf(document).filter((row) => row.value.stopKey === stop.key);
  const photos = photosOf(document).filter((row) => row.value.stopKey === stop.key);
  const recordings = Object.values(document.rows.recording).filter(({ value }) => value.stopKey === stop.key);
  const told = [
    outcome && `${WORDS[outcome]}${value.reason ? `: ${value.reason.toLowerCase()}` : ''}`,
    value.note && `“${value.note}”`,
    ...value.probes.map((probe) => `${units.temperature(probe.celsius)} by ${probe.with.toLowerCase()}`),
  ].filter((one): one is string => !!one);
  return (
    <div className={styles.record}>
      {told.length > 0 && <p data-testid="stop-record">{told.join(' · ')}</p>}
      {recordings.map(({ id, value: { seconds } }) => (
        <audio key={id} controls src={`/api/recordings/${id}`} aria-label={`Spoken note, ${Math.round(seconds)} s`} />
      ))}
      <ul className={styles.pictures}>
        {frames.map((row) => (
          <li key={row.id}>
            <QuickLink href={`/visits/${document.visitId}/bench/${row.id}`} aria-label={`Read ${row.value.name} on the bench`}>
              <Thumb frame={row} className={styles.thumb} />
            </QuickLink>
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Take back ${row.value.name}`}
              disabled={findingsOn(document, new Set([row.id])).length > 0}
              onClick={() =>
                edit(`Taken back: ${row.value.name}`, [
                  { entity: 'frame', rowId: row.id, value: { ...row.value, discarded: true } },
                ])
              }
            />
          </li>
        ))}
        {photos.map((row) => (
          <li key={row.id}>
            <img src={`/api/photos/${row.id}/file`} alt={row.value.name} className={styles.thumb} />
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Take back the photo ${row.value.name}`}
              onClick={() =>
                edit(`Taken back: ${row.value.name}`, [
                  { entity: 'photo', rowId: row.id, value: { ...row.value, discarded: true } },
                ])
              }
            />
            <Select
              aria-label={`What the photo ${row.value.name} shows`}
              value={row.value.role}
              options={PHOTO_ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role] }))}
              onChange={(role) =>
                edit('What the photo shows', [{ entity: 'photo', rowId: row.id, value: { ...row.value, role } }])
              }
            />
          </li>
        ))}
      </ul>
      {earlier && (
        <p className={styles.quiet}>
          Last time, {localDay(earlier.startedAt, siteOf(document).timeZone)}:{' '}
          {earlier.answer ? WORDS[earlier.answer].toLowerCase() : 'not looked at'}
          {earlier.note ? `, “${earlier.note}”` : ''}.{newSince(outcome, earlier)}
        </p>
      )}
    </div>
  );
}

function newSince(outcome: Outcome, earlier: EarlierStop): string {
  if (outcome === null) return '';
  if (outcome === 'seen' && earlier.answer === 'nothing') return ' New since then.';
  if (outcome === 'nothing' && earlier.answer === 'seen') return ' Gone since then.';
  return '';
}
