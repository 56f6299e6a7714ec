'use client';

import { Button, Select, Spin } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import type { ReactNode } from 'react';
import type { ArguedCandidate } from '@core/work/findings/argue';
import { ASIDE_WORDS } from '@core/work/findings/asideWords';
import { gateOf } from '@core/work/findings/gate';
import { nothingMeans, nothingWords } from '@core/work/findings/nothing';
import { settingFor, unknownWords } from '@core/work/findings/lookAt';
import type { FrameLook } from '@core/work/findings/seen';
import { percent } from '@core/ground/format';
import type { FrameView } from '@core/work/visit/frameView';
import { Causes } from '@ui/finding/Causes';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import ledger from '../ledger/Ledger.module.css';
import { Dismiss } from './Dismiss';
import { SideDoubt } from './SideDoubt';
import type { CandidateActions } from './useCandidateActions';
import styles from './Candidates.module.css';

const LEAST_CHOICES = [0.3, 0.5, 1, 2];

interface Props {
  frame: FrameView;
  look: FrameLook | null;
  candidates: readonly ArguedCandidate[];
  chosen: number | null;
  least: number;
  actions: CandidateActions;
  onChoose(index: number | null): void;
  onLeast(least: number): void;
  head: ReactNode;
}

/** What deserves a look in this frame, and what it probably is. */
export function CandidatePanel({ frame, look, candidates, chosen, least, actions, onChoose, onLeast, head }: Props) {
  const { document } = useVisit();
  const units = useUnits();
  return (
    <aside className={ledger.ledger} aria-label="What deserves a look">
      {head}
      <div className={ledger.scroll}>
        <div className={styles.least}>
          <label>
            From{' '}
            <Select
              size="small"
              value={least}
              aria-label="Least difference"
              onChange={onLeast}
              options={LEAST_CHOICES.map((value) => ({ value, label: units.difference(value) }))}
            />
          </label>
          <QuickLink href={`/visits/${document.visitId}/findings/candidates`}>All frames of the visit</QuickLink>
        </div>
        <SideDoubt frame={frame} />
        {look === null ? (
          <p role="status" className={styles.wait}>
            <Spin size="small" /> Looking the frame through …
          </p>
        ) : (
          <>
            <p role="status" className={styles.count}>
              {candidates.length === 0
                ? 'Nothing stands out.'
                : candidates.length === 1
                  ? 'One place deserves a look.'
                  : `${candidates.length} places deserve a look.`}
            </p>
            {candidates.length > 0 &&
              unknownWords(settingFor(document, frame.id)).map((words) => (
                <p key={words} className={styles.quiet} role="note">
                  {words}
                </p>
              ))}
            {candidates.length === 0 &&
              nothingWords(nothingMeans(document, frame.id, look), units.unit).map((words) => (
                <p key={words} className={styles.quiet}>
                  {words}
                </p>
              ))}
            <ol className={styles.list}>
              {candidates.map((candidate, i) => (
                <CandidateItem
                  key={candidate.index}
                  number={i + 1}
                  candidate={candidate}
                  noise={look.noise}
                  open={candidate.index === chosen}
                  actions={actions}
                  onToggle={() => onChoose(candidate.index === chosen ? null : candidate.index)}
                />
              ))}
            </ol>
            {(look.asides.length > 0 || look.framing) && (
              <section>
                <h2 className={ledger.heading}>Set aside</h2>
                <ul className={styles.asides}>
                  {[...new Set(look.asides.map(({ kind }) => kind))].map((kind) => (
                    <li key={kind}>{ASIDE_WORDS[kind]}</li>
                  ))}
                  {look.framing && (
                    <li>
                      Even framing: {look.framing.lines} lines, {look.framing.run === 'down' ? 'upright' : 'level'}, normal
                    </li>
                  )}
                </ul>
              </section>
            )}
          </>
        )}
      </div>
    </aside>
  );
}

function CandidateItem({
  number,
  candidate,
  noise,
  open,
  actions,
  onToggle,
}: {
  number: number;
  candidate: ArguedCandidate;
  noise: number;
  open: boolean;
  actions: CandidateActions;
  onToggle(): void;
}) {
  const { document } = useVisit();
  const units = useUnits();
  const { seen, ranked, ruling, finding, argued } = candidate;
  const best = ranked[0]!;
  const gate = gateOf(document, candidate.frameId, seen, best.cause.code, noise, units.unit);
  return (
    <li className={styles.item} data-open={open} data-ruled={ruling !== null}>
      <button type="button" className={styles.line} aria-expanded={open} onClick={onToggle}>
        <span className={styles.no}>{number}</span>
        <span>
          <b>{best.cause.name}</b>
          <small>
            {ruling?.value.ruling === 'dismissed'
              ? `Dismissed: ${ruling.value.reason || 'no reason given'}`
              : ruling?.value.ruling === 'unsure'
                ? 'Not sure'
                : finding
                  ? 'Recorded as a finding'
                  : `${percent(best.score)}${best.cause.harmless ? ' · nothing to mend' : ''}`}
          </small>
        </span>
        <em>{units.signedDifference(seen.stated)}</em>
      </button>
      {open && (
        <div className={styles.open}>
          {!gate.claim && (
            <p className={styles.gate} role="note">
              <b>An observation to repeat.</b> {gate.why.join(' ')}{' '}
              {gate.hours && <QuickLink href={`/visits/${document.visitId}/hours`}>Pick better hours</QuickLink>}
            </p>
          )}
          <Causes
            argued={argued}
            possible={actions.possible(candidate)}
            onOutcome={(check, outcome) => actions.outcome(candidate, check, outcome)}
          />
          <div className={styles.acts}>
            {finding ? (
              <QuickLink href={`/visits/${document.visitId}/findings/${finding.id}`}>
                <Button>Open the finding</Button>
              </QuickLink>
            ) : ruling ? (
              <Button onClick={() => actions.takeBack(ruling)}>Ask again</Button>
            ) : (
              <>
                <Button type="primary" onClick={() => actions.accept(candidate)}>
                  Record as finding
                </Button>
                <Dismiss onDismiss={(reason) => actions.rule(candidate, 'dismissed', reason)} />
                <Button onClick={() => actions.rule(candidate, 'unsure', '')}>Not sure</Button>
              </>
            )}
          </div>
        </div>
      )}
    </li>
  );
}
