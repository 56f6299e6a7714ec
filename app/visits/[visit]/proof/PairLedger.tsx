'use client';

import { ArrowDownOutlined, ArrowUpOutlined, DeleteOutlined, PauseOutlined, QuestionOutlined } from '@ant-design/icons';
import { Alert, Button, Input, Select, Tooltip } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import type { ReactNode } from 'react';
import type { Change, Look, Verdict } from '@core/method/compare/change';
import type { VisitDocument } from '@core/model/document';
import { OUTCOMES, SURFACE_ANSWERS, type SurfaceAnswer, type PairRegion, type PairValue } from '@core/model/pairRow';
import { changedK, isProven, leftBy } from '@core/work/proof/left';
import { OUTCOME_WORDS, plainWords, SURFACE_WORDS, VERDICT_WORDS, whyWords } from '@core/work/proof/proofWords';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { NextRound } from '../NextRound';
import { Stood } from './Stood';
import type { Compared } from './useCompared';
import styles from './Proof.module.css';

interface Props {
  earlier: VisitDocument;
  pair: PairValue;
  /** The earlier frame as it is compared; null while that is not known. */
  look: Look | null;
  /** Whether the air of both visits is known. */
  known: boolean;
  compared: Compared;
  put(label: string, change: Partial<PairValue>): void;
  children: ReactNode;
}

/** What a pair says: region by region, and what a person makes of it. */
export function PairLedger({ earlier, pair, look, known, compared, put, children }: Props) {
  const { document } = useVisit();
  const units = useUnits();
  const { laying, changes } = compared;
  const laid = laying && 'laid' in laying ? laying.laid : null;
  const left = changes && look ? leftBy(pair, earlier, look, changes) : null;
  const provable = changes !== null && isProven(changes);
  return (
    <aside className={styles.ledger} aria-label="What changed">
      <h2>{pair.title}</h2>
      {children}
      <p className={styles.quiet}>
        {laid
          ? `Laid on each other${laid.byHand ? ' by hand' : ''} to ${laid.residualPx.toFixed(1)} pixels; ${Math.round(100 * laid.overlap)} % of the earlier view is in the later one.`
          : laying
            ? 'The frames do not lie on each other yet.'
            : 'Being laid on each other …'}
      </p>
      <Stood earlier={earlier} pair={pair} put={put} />
      {!known && (
        <Alert
          type="info"
          showIcon
          title="The air inside and outside is needed on both visits."
          description={
            <QuickLink href={`/visits/${document.visitId}/question`}>Type this visit’s conditions in the chip above.</QuickLink>
          }
        />
      )}
      {changes?.some(({ why }) => why === 'too-little-drive') && (
        <Alert
          type="info"
          showIcon
          title="Too mild to prove anything."
          description={
            <QuickLink href={`/visits/${document.visitId}/hours`}>
              Look again in an hour with 10 K or more between inside and outside: see Hours.
            </QuickLink>
          }
        />
      )}
      {pair.regions.length === 0 && <p>Drag a box over the place on the earlier picture.</p>}
      <ul className={styles.regions}>
        {pair.regions.map((region) => (
          <Region
            key={region.id}
            region={region}
            change={changes?.find(({ name }) => name === region.id) ?? null}
            look={look}
            onChange={(change) =>
              put('Region of the proof', {
                regions: pair.regions.map((one) => (one.id === region.id ? { ...one, ...change } : one)),
              })
            }
            onRemove={() => put('Region taken away', { regions: pair.regions.filter(({ id }) => id !== region.id) })}
          />
        ))}
      </ul>
      {left && (
        <p className={styles.left}>
          <b>What is left:</b> {units.signedDifference(left.afterK)} against {left.beside}
          {left.squareMetres !== null && `, over ${left.squareMetres.toFixed(2)} m²`}, in the weather of the first visit; it was{' '}
          {units.signedDifference(left.beforeK)}.
        </p>
      )}
      <h3>What it comes to</h3>
      <div className={styles.outcomes} role="group" aria-label="What it comes to">
        {OUTCOMES.map((outcome) => (
          <Button
            key={outcome}
            type={pair.outcome === outcome ? 'primary' : 'default'}
            aria-pressed={pair.outcome === outcome}
            disabled={outcome === 'closed' && !provable && pair.outcome !== 'closed'}
            onClick={() => put(OUTCOME_WORDS[outcome], { outcome: pair.outcome === outcome ? null : outcome })}
          >
            {OUTCOME_WORDS[outcome]}
          </Button>
        ))}
      </div>
      {!provable && (
        <p className={styles.quiet}>A finding is closed by proof: at least one place better, and none worse or unclear.</p>
      )}
      {pair.outcome !== 'closed' && pair.outcome !== 'accepted' && (
        <>
          <h3>Look again</h3>
          <p className={styles.quiet}>
            Some effects need time: a wall that was filled shows it after hours of heating, one that was wet dries for weeks.
          </p>
          <NextRound />
        </>
      )}
      <Input.TextArea
        aria-label="Note"
        placeholder="What was done, and what is left"
        defaultValue={pair.note}
        autoSize={{ minRows: 2 }}
        maxLength={2000}
        onBlur={(event) => event.target.value !== pair.note && put('Note of the proof', { note: event.target.value })}
      />
    </aside>
  );
}

/** What stands in the field until somebody says something. */
const NOT_SAID = 'not-said';

const ICONS: Record<Verdict, ReactNode> = {
  better: <ArrowUpOutlined />,
  same: <PauseOutlined rotate={90} />,
  worse: <ArrowDownOutlined />,
  'cannot-say': <QuestionOutlined />,
};

function Region({
  region,
  change,
  look,
  onChange,
  onRemove,
}: {
  region: PairRegion;
  change: Change | null;
  look: Look | null;
  onChange(change: Partial<PairRegion>): void;
  onRemove(): void;
}) {
  const units = useUnits();
  const moved = change && look ? changedK(change, look) : null;
  return (
    <li className={styles.region} aria-label={region.name}>
      <div className={styles.row}>
        <Input
          aria-label="Name of the place"
          defaultValue={region.name}
          maxLength={80}
          onBlur={(event) => {
            const name = event.target.value.trim();
            if (name && name !== region.name) onChange({ name });
          }}
        />
        <Button icon={<DeleteOutlined />} aria-label={`Take ${region.name} away`} onClick={onRemove} />
      </div>
      {change ? (
        <>
          <p className={styles.verdict} data-verdict={change.verdict}>
            {ICONS[change.verdict]} <b>{VERDICT_WORDS[change.verdict]}</b>
            {moved && (
              <Tooltip
                title={`Against then, in the weather of the first visit and in balance; with its interval for 19 of 20. Heat in the wall is in the ±. As a share of the difference of the air: ${signed(change.change!)} ± ${(1.96 * change.uncertainty!).toFixed(3)}.`}
              >
                <span className={styles.number}>
                  {units.signedDifference(moved.kelvin)} ± {units.difference(moved.pm)}
                </span>
              </Tooltip>
            )}
          </p>
          <p className={styles.quiet}>
            {change.verdict === 'cannot-say' ? whyWords(change) : plainWords(change)}{' '}
            {change.beforeC === null ? 'Not read' : units.temperature(change.beforeC)} before,{' '}
            {change.afterC === null ? 'not in view' : `${units.temperature(change.afterC)} after`}.
          </p>
        </>
      ) : (
        <p className={styles.quiet}>Not compared yet.</p>
      )}
      <label className={styles.asked}>
        Was the surface itself changed?
        <Select<typeof NOT_SAID | SurfaceAnswer>
          aria-label={`Surface of ${region.name}`}
          value={region.surface ?? NOT_SAID}
          options={[
            { value: NOT_SAID, label: 'not that I know' },
            ...SURFACE_ANSWERS.map((value) => ({ value, label: SURFACE_WORDS[value] })),
          ]}
          onChange={(value: typeof NOT_SAID | SurfaceAnswer) => onChange({ surface: value === NOT_SAID ? null : value })}
        />
      </label>
      {change?.why === 'looks-different' && (
        <Button block onClick={() => onChange({ surface: 'unchanged' })}>
          I looked: the surface is the same
        </Button>
      )}
    </li>
  );
}

function signed(value: number): string {
  return `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(3)}`;
}
