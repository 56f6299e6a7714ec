'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { CaretRightOutlined, PauseOutlined } from '@ant-design/icons';
import { Alert, Button, Empty, Progress, Segmented, Select } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useEffect, useMemo, useState } from 'react';
import { seriesChoices, type SeriesChoice } from '@core/work/water/huntOf';
import { ownRange } from '@core/method/scale/ownRange';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import { orderedScale } from '@core/method/scale/scale';
import { visitRow } from '@core/work/visit/theVisit';
import { isDisturbed } from '@core/method/water/stack';
import type { Timelapse } from '@core/method/water/timelapse';
import { useUnits } from '@ui/units/UnitProvider';
import { GrowthPicture } from './GrowthPicture';
import { useHunt } from './useHunt';
import { SeriesFolder } from './SeriesFolder';
import type { Seeking } from '../computed/useSought';
import { Verdict } from './Verdict';
import { WorkProblem } from '../../../work/WorkProblem';
import styles from './Water.module.css';

const SpotCurve = onDemand(() => import('./SpotCurve').then((m) => m.SpotCurve));

/** A series of one view: played, with what grew and where the water comes out. */
export function Player({ chosen, sought }: { chosen: SeriesChoice | null; sought: Seeking }) {
  const { document, put } = useHunt();
  const choices = useMemo(() => seriesChoices(document), [document]);
  if (!chosen)
    return (
      <Empty description="Set the camera on a tripod, take a frame of the floor as it is, run the water, and take one every minute or two from the same place. Three frames of one view are enough to begin.">
        <QuickLink href={`/visits/${document.visitId}/round`}>
          <Button type="primary">Take frames on the Round</Button>
        </QuickLink>
      </Empty>
    );
  const shown = sought.state === 'found' ? sought.found : sought.state === 'busy' ? sought.last : null;
  return (
    <>
      <div className={styles.bar}>
        <Select
          aria-label="Frames"
          value={chosen.key}
          options={choices.map(({ key, name, frameIds: ids }) => ({ value: key, label: `${name} · ${ids.length} frames` }))}
          onChange={(series) => put('Frames of the hunt', { series })}
          popupMatchSelectWidth={false}
        />
        {sought.state === 'busy' && (
          <>
            <Progress
              className={styles.progress!}
              percent={Math.round(100 * sought.share)}
              size="small"
              aria-label="Looking for the leak"
            />
            <Button onClick={sought.stop}>Cancel</Button>
          </>
        )}
        {!chosen.key.startsWith('sequence:') && <SeriesFolder key={chosen.key} lastFrameId={chosen.frameIds.at(-1)!} />}
      </div>
      {sought.state === 'refused' && (
        <Alert type="warning" showIcon title={sought.error.message} description={sought.error.hint} />
      )}
      {sought.state === 'failed' && <WorkProblem work={sought} what="The series" />}
      {sought.state === 'stopped' && <Alert type="info" title="Stopped. Change something or add a frame to look again." />}
      {shown && <Played key={chosen.key} found={shown} />}
    </>
  );
}

/** How long a frame stands while a series is played, ms. */
const EACH_MS = 250;

function Played({ found }: { found: Timelapse }) {
  const { document } = useHunt();
  const units = useUnits();
  const [at, setAt] = useState(found.frames.length - 1);
  const [growth, setGrowth] = useState(true);
  const [playing, setPlaying] = useState(false);
  const count = found.frames.length;
  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => setAt((before) => (before + 1) % count), EACH_MS);
    return () => clearInterval(timer);
  }, [playing, count]);
  const [spot, setSpot] = useState<{ x: number; y: number } | null>(null);
  const index = Math.min(at, found.frames.length - 1);
  const { stack, growth: grown } = found;
  const values = growth ? grown.map.values : stack.rises[index]!;
  const scale = useMemo(() => {
    if (growth) {
      const most = Math.max(6 * grown.spread, ...grown.map.values);
      return { low: -most, high: most, map: 'balance' as const };
    }
    const { low, high } = ownRange(stack.rises[0]!, IDENTITY_LINE, null, null);
    return orderedScale(low, high, visitRow(document).value.span.colourMap);
  }, [growth, grown, stack, document]);
  return (
    <>
      <div className={styles.bar}>
        <Segmented
          aria-label="What is shown"
          value={growth}
          options={[
            { value: true, label: 'What grew' },
            { value: false, label: 'Frames' },
          ]}
          onChange={(value) => {
            setPlaying(false);
            setGrowth(value);
          }}
        />
        <Button
          icon={playing ? <PauseOutlined /> : <CaretRightOutlined />}
          aria-label={playing ? 'Pause' : 'Play'}
          onClick={() => {
            setGrowth(false);
            setPlaying(!playing);
          }}
        />
        <label className={styles.scrub}>
          <span>
            {index + 1} of {found.frames.length} · {Math.round(found.frames[index]!.t / 60)} min
            {isDisturbed(found.frames[index]!) && ' · something passed through'}
          </span>
          <input
            type="range"
            min={0}
            max={found.frames.length - 1}
            value={index}
            aria-label="Frame"
            onChange={(event) => {
              setGrowth(false);
              setPlaying(false);
              setAt(Number(event.target.value));
            }}
          />
        </label>
        <span className={styles.quiet}>
          {growth
            ? `${units.difference(scale.low)} … ${units.difference(scale.high)}`
            : `${units.temperature(scale.low)} … ${units.temperature(scale.high)}`}
        </span>
      </div>
      <GrowthPicture found={found} values={values} scale={scale} spot={spot} onSpot={setSpot} />
      <Verdict found={found} />
      <SpotCurve found={found} spot={spot} />
    </>
  );
}
