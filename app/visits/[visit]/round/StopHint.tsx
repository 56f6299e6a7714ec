'use client';

import { EyeOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useMemo } from 'react';
import { argueFrame } from '@core/work/findings/argue';
import type { Stop } from '@core/work/round/stops';
import { framesOf, takenAtOf } from '@core/work/visit/frames';
import { lookedFrame } from '../looks/lookedFrame';
import { useFrameLook } from '../looks/useFrameLook';
import { useHints } from '@ui/finding/useHints';
import { useLeast } from '@ui/finding/useLeast';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { WorkProblem } from '../../../work/WorkProblem';
import styles from './StopHint.module.css';

/** A quiet word on the newest frame of a stop, for those who want one. */
export function StopHint({ stop }: { stop: Stop }) {
  const { document } = useVisit();
  const [hints, setHints] = useHints();
  const newest = framesOf(document)
    .filter(({ value }) => value.stopKey === stop.key)
    .sort((a, b) => takenAtOf(document, a.id).localeCompare(takenAtOf(document, b.id)))
    .at(-1);
  return (
    <div className={styles.hint}>
      <Button
        type="text"
        icon={<EyeOutlined />}
        aria-pressed={hints === 'on'}
        onClick={() => setHints(hints === 'on' ? 'off' : 'on')}
      >
        {hints === 'on' ? 'Hints on' : 'Hints off'}
      </Button>
      {hints === 'on' && newest && <Hint key={newest.id} frameId={newest.id} />}
    </div>
  );
}

function Hint({ frameId }: { frameId: string }) {
  const { document } = useVisit();
  const [least] = useLeast();
  const values = usePixels(frameId)(frameId);
  const looking = useFrameLook(
    useMemo(() => (values ? lookedFrame(document, frameId, values, least) : null), [document, frameId, values, least]),
  );
  const look = looking.state === 'done' ? looking.result : null;
  const candidates = useMemo(() => (look ? argueFrame(document, frameId, look) : null), [document, frameId, look]);
  const [first] = candidates ?? [];
  if (looking.state === 'failed') return <WorkProblem work={looking} what="The last frame" />;
  return (
    <p role="status" aria-label="Hint">
      {!candidates ? (
        'Looking …'
      ) : !first ? (
        'Nothing stands out in the last frame.'
      ) : (
        <QuickLink href={`/visits/${document.visitId}/bench/${frameId}/look-${first.index}`}>
          {candidates.length === 1 ? 'One place deserves' : `${candidates.length} places deserve`} a look, first:{' '}
          {first.ranked[0]!.cause.name.toLowerCase()}
        </QuickLink>
      )}
    </p>
  );
}
