'use client';

import { Select } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import type { VisitDocument } from '@core/model/document';
import { knownOf } from '@core/work/proof/looks';
import { type PairValue, SAID_WALLS, type SaidWall } from '@core/model/pairRow';
import { historyWords, WALL_CLASS_WORDS, WORK_WORDS } from '@core/work/proof/proofWords';
import { WORKS } from '@core/method/compare/lossChange';
import { standingOf } from '@core/work/visit/standing';
import { wallHistoryOf } from '@core/work/visit/wallHistoryOf';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Proof.module.css';

const NOT_SAID = 'not-said';
type Work = (typeof WORKS)[number] | typeof NOT_SAID;
type Wall = SaidWall | typeof NOT_SAID;

/** What the wall stood in on both visits, how it is built and what was done to it: what a verdict hangs on. */
export function Stood({
  earlier,
  pair,
  put,
}: {
  earlier: VisitDocument;
  pair: PairValue;
  put(label: string, change: Partial<PairValue>): void;
}) {
  const { document } = useVisit();
  const usual = knownOf(earlier, { ...pair, wall: null }).wall;
  return (
    <>
      <dl className={styles.weather}>
        <dt>Before</dt>
        <dd>
          <StoodIn document={earlier} frameId={pair.beforeFrameId} />
        </dd>
        <dt>After</dt>
        <dd>
          <StoodIn document={document} frameId={pair.afterFrameId} />
        </dd>
      </dl>
      <label className={styles.asked}>
        How is the wall built?
        <Select<Wall>
          aria-label="How the wall is built"
          className={styles.wide!}
          popupMatchSelectWidth={false}
          value={pair.wall ?? NOT_SAID}
          options={[
            { value: NOT_SAID, label: `${WALL_CLASS_WORDS[usual]}, by its surface` },
            ...SAID_WALLS.map((value) => ({ value, label: WALL_CLASS_WORDS[value] })),
          ]}
          onChange={(value: Wall) => put('How the wall is built', { wall: value === NOT_SAID ? null : value })}
        />
      </label>
      <label className={styles.asked}>
        What was done?
        <Select<Work>
          aria-label="What was done"
          className={styles.wide!}
          popupMatchSelectWidth={false}
          value={pair.work ?? NOT_SAID}
          options={[{ value: NOT_SAID, label: 'not said' }, ...WORKS.map((value) => ({ value, label: WORK_WORDS[value] }))]}
          onChange={(value: Work) => put('What was done', { work: value === NOT_SAID ? null : value })}
        />
      </label>
    </>
  );
}

function StoodIn({ document, frameId }: { document: VisitDocument; frameId: string }) {
  const units = useUnits();
  const { insideC, outerC, side } = standingOf(document, frameId);
  const history = wallHistoryOf(document, frameId);
  const known = (celsius: number | null) => (celsius === null ? 'not noted' : units.temperature(celsius));
  return (
    <>
      {known(insideC)} inside, {known(outerC)} {side === 'loft' ? 'in this space' : 'outside'}.{' '}
      <small>
        {historyWords(history)}
        {history.missing.length > 0 && (
          <>
            {' '}
            <QuickLink href={`/visits/${document.visitId}/kit`}>Note it</QuickLink>
          </>
        )}
      </small>
    </>
  );
}
