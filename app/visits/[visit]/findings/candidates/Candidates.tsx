'use client';

import { Button, Progress, Segmented } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useMemo, useState } from 'react';
import { argueFrame, type ArguedCandidate, mostRelevantFirst, type Related } from '@core/work/findings/argue';
import { nothingMeans, nothingWords } from '@core/work/findings/nothing';
import { partnerOf } from '@core/work/findings/partner';
import { otherSideFrameOf } from '@core/work/findings/related';
import type { FrameLook } from '@core/work/findings/seen';
import type { VisitDocument } from '@core/model/document';
import { percent } from '@core/ground/format';
import { useLeast } from '@ui/finding/useLeast';
import { Thumb } from '@ui/picture/Thumb';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { useVisitLooks } from './useVisitLooks';
import styles from './Candidates.module.css';

type Which = 'open' | 'harmless' | 'answered';

/** What deserves a look in all frames of the visit, what matters most first; and what the others say by showing nothing. */
export function Candidates() {
  const { document } = useVisit();
  const units = useUnits();
  const [least] = useLeast();
  const [which, setWhich] = useState<Which>('open');
  const { looks, running, done, total, problem, start, cancel } = useVisitLooks(document.visitId, least);
  const all = useMemo(() => (looks ? argueAll(document, looks) : []), [document, looks]);
  const of: Record<Which, ArguedCandidate[]> = {
    open: all.filter((one) => !one.ruling && !one.finding && !one.ranked[0]!.cause.harmless),
    harmless: all.filter((one) => !one.ruling && !one.finding && one.ranked[0]!.cause.harmless),
    answered: all.filter((one) => one.ruling !== null || one.finding !== null),
  };
  const quiet = looks
    ? Object.entries(looks).filter(([id, look]) => document.rows.frame[id] && look.candidates.length === 0)
    : [];
  return (
    <div className={styles.page}>
      <header className={styles.head}>
        <div>
          <h1>What deserves a look</h1>
          <p>
            Every frame of the visit, looked through for places that differ by {units.difference(least)} or more. Causes are
            likelihoods until a check has settled them.
          </p>
        </div>
        <QuickLink href={`/visits/${document.visitId}/findings`}>
          <Button>Findings</Button>
        </QuickLink>
      </header>
      {running && (
        <div className={styles.progress} role="status">
          <span>
            Looking through: {done} of {total} frames
          </span>
          <Progress percent={Math.round((100 * done) / total)} showInfo={false} aria-label="Frames looked through" />
          <Button onClick={cancel}>Cancel</Button>
        </div>
      )}
      {problem && (
        <div className={styles.progress} role="status">
          <span>{problem}</span>
          <Button type="primary" onClick={() => void start()}>
            Look through
          </Button>
        </div>
      )}
      {looks && (
        <>
          <Segmented<Which>
            aria-label="Which candidates"
            value={which}
            onChange={setWhich}
            options={[
              { value: 'open', label: `To judge ${of.open.length}` },
              { value: 'harmless', label: `Probably harmless ${of.harmless.length}` },
              { value: 'answered', label: `Answered ${of.answered.length}` },
            ]}
          />
          {of[which].length === 0 ? (
            <p className={styles.none}>{EMPTY[which]}</p>
          ) : (
            <ol className={styles.list}>
              {of[which].map((candidate) => (
                <Item key={`${candidate.frameId} ${candidate.index}`} candidate={candidate} />
              ))}
            </ol>
          )}
          {quiet.length > 0 && (
            <section className={styles.quiet}>
              <h2>
                Nothing stands out in {quiet.length} {quiet.length === 1 ? 'frame' : 'frames'}
              </h2>
              <ul>
                {quiet.map(([id, look]) => (
                  <Quiet key={id} frameId={id} look={look} />
                ))}
              </ul>
            </section>
          )}
        </>
      )}
    </div>
  );
}

const EMPTY: Record<Which, string> = {
  open: 'Nothing is left to judge.',
  harmless: 'Nothing that is probably harmless stands out.',
  answered: 'Nothing was recorded or dismissed yet.',
};

function argueAll(document: VisitDocument, looks: Readonly<Record<string, FrameLook>>): ArguedCandidate[] {
  return Object.entries(looks)
    .filter(([id]) => document.rows.frame[id]?.value.discarded === false)
    .flatMap(([id, look]) => argueFrame(document, id, look, relatedIn(document, id, looks)))
    .sort(mostRelevantFirst);
}

/** Frames of the last visit are not looked through for a whole visit: its answers are known. */
function relatedIn(document: VisitDocument, frameId: string, looks: Readonly<Record<string, FrameLook>>): Related {
  const otherId = otherSideFrameOf(document, frameId);
  const other = looks[otherId ?? ''];
  return {
    partner: looks[partnerOf(document, frameId) ?? ''] ?? null,
    otherSide: otherId && other ? { frameId: otherId, look: other } : null,
    lastTime: null,
  };
}

function placeWords(document: VisitDocument, frameId: string): string {
  const { name, roomId, surfaceId } = document.rows.frame[frameId]!.value;
  const surface = document.rows.surface[surfaceId ?? '']?.value;
  const room = document.rows.room[surface?.roomId ?? roomId ?? '']?.value;
  return [room?.name, surface?.name].filter(Boolean).join(', ') || name;
}

function Item({ candidate }: { candidate: ArguedCandidate }) {
  const { document } = useVisit();
  const units = useUnits();
  const { frameId, index, seen, ranked, ruling, finding } = candidate;
  const [first, second] = [ranked[0]!, ranked[1]!];
  const { width, height } = document.frameFacts[frameId]!;
  const place = placeWords(document, frameId);
  const said = finding
    ? 'Recorded as a finding'
    : ruling?.value.ruling === 'dismissed'
      ? `Dismissed: ${ruling.value.reason}`
      : ruling
        ? 'Not sure'
        : null;
  return (
    <li>
      <QuickLink className={styles.item} href={`/visits/${document.visitId}/bench/${frameId}/look-${index}`}>
        <span className={styles.picture} style={{ aspectRatio: `${width} / ${height}` }}>
          <Thumb frame={document.rows.frame[frameId]!} className={styles.thumb} />
          <svg viewBox={`-0.5 -0.5 ${width} ${height}`} aria-hidden="true">
            <polygon points={seen.outline.map((corner) => corner.join(',')).join(' ')} vectorEffect="non-scaling-stroke" />
          </svg>
        </span>
        <span className={styles.words}>
          <b>{first.cause.name}</b>
          <small>{place}</small>
          <small>
            {said ??
              `${percent(first.score)}${second.score >= 0.1 ? `, or ${second.cause.name.toLowerCase()} ${percent(second.score)}` : ''}`}
          </small>
        </span>
        <em>{units.signedDifference(seen.stated)}</em>
      </QuickLink>
    </li>
  );
}

function Quiet({ frameId, look }: { frameId: string; look: FrameLook }) {
  const { document } = useVisit();
  const { unit } = useUnits();
  return (
    <li>
      <QuickLink href={`/visits/${document.visitId}/bench/${frameId}`}>{placeWords(document, frameId)}</QuickLink>
      <span>{nothingWords(nothingMeans(document, frameId, look), unit).join(' ')}</span>
    </li>
  );
}
