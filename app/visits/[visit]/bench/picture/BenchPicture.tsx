'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import type { MatchedPoint } from '@core/method/frame/alignment';
import type { Placement } from '@core/paper/markPath';
import type { Scale } from '@core/method/scale/scale';
import type { Row } from '@core/model/entities';
import type { PointMark } from '@ui/picture/Marks';
import { useUnits } from '@ui/units/UnitProvider';
import { Captions } from './Captions';
import { ColoursMenu } from './ColoursMenu';
import { lengthWords } from '../lengthWords';
import { MatchBar } from '../photo/MatchBar';
import { PhotoBeside } from '../photo/PhotoBeside';
import { PhotoOver } from '../photo/PhotoOver';
import { PictureStage } from './PictureStage';
import { ScaleRibbon } from './ScaleRibbon';
import { SequenceBar } from './SequenceBar';
import { useOutOfLine } from '../photo/useOutOfLine';
import type { FrameView } from '@core/work/visit/frameView';
import type { RegionEdits } from '../useRegions';
import type { View, ViewAction } from '../view';
import { WorkProblem } from '../../../../work/WorkProblem';
import styles from '../Bench.module.css';

const ChartPanel = onDemand(() => import('./ChartPanel').then((m) => m.ChartPanel));

interface Props {
  frame: FrameView;
  scale: Scale;
  view: View;
  dispatch(action: ViewAction): void;
  photo: Row<'photo'> | null;
  regions: RegionEdits;
  probes: PointMark[];
  fixed: boolean;
  onScale(scale: Scale): void;
  onFit(): void;
  onShow(id: string): void;
  /** Drawn over the frame while what deserves a look is shown. */
  candidates?: ((placement: Placement) => ReactNode) | undefined;
}

/** The picture with its scale on the left, its photo beside or over it, and what its colours mean beneath. */
export function BenchPicture(props: Props) {
  const { frame, scale, view, dispatch, photo, regions, probes, fixed, onScale, onFit, onShow, candidates } = props;
  const units = useUnits();
  const { check: off, work: lining } = useOutOfLine(frame, photo, view.photo !== 'off' && view.matching === null);
  const selected = frame.regions.find(({ row }) => row.id === view.selectedId);
  const beside = photo !== null && (view.photo === 'beside' || view.matching !== null);

  /** The place that was clicked goes to the point that still lacks one of that picture, or to a new one. */
  const place = (of: keyof MatchedPoint, at: [number, number]) => {
    if (!view.matching) return;
    const points = [...view.matching];
    const open = points.findIndex((point) => !point[of]);
    if (open >= 0) points[open] = { ...points[open], [of]: at };
    else if (points.length < 3) points.push({ [of]: at });
    dispatch({ kind: 'match', points });
  };

  return (
    <>
      <div className={styles.ribbon}>
        <ScaleRibbon
          frame={frame}
          scale={scale}
          mode={view.colours}
          fixed={fixed}
          onDraft={(next) => dispatch({ kind: 'draft', scale: next })}
          onCommit={onScale}
          onFit={onFit}
        />
        <ColoursMenu key={frame.id} frame={frame} onDraw={(shape) => regions.draw(shape)} />
      </div>
      <div className={styles.picture} data-photo={beside}>
        <PictureStage
          key={frame.id}
          frame={frame}
          scale={scale}
          view={view}
          dispatch={dispatch}
          onDraw={(shape) =>
            regions.draw(shape, view.tool === 'length' ? 'length' : view.tool === 'leaveOut' ? 'leftOut' : 'reading')
          }
          onReshape={(id, shape, label) => regions.change(id, { shape }, label)}
          onPlace={({ x, y }) => place('frame', [(x + 0.5) / frame.facts.width, (y + 0.5) / frame.facts.width])}
          probes={probes}
          candidates={candidates}
          label={pictureWords(frame, units.temperature)}
          over={
            photo && view.photo === 'over'
              ? (placement) => <PhotoOver frame={frame} photo={photo} placement={placement} mix={view.mix} />
              : undefined
          }
        />
        {beside && <PhotoBeside frame={frame} photo={photo} view={view} onPlace={(at) => place('photo', at)} />}
        <SequenceBar frame={frame.row} onShow={onShow} />
        <WorkProblem work={lining} what="Whether the photo lies over its frame" />
        {view.matching && photo ? (
          <MatchBar frame={frame} photo={photo} view={view} dispatch={dispatch} />
        ) : off ? (
          <p className={styles.caption} role="status">
            The photo seems to lie {shiftWords(off, frame)} beside the frame.{' '}
            <Button size="small" type="link" onClick={() => dispatch({ kind: 'match', points: [] })}>
              Bring both in line
            </Button>
          </p>
        ) : (
          <Captions frame={frame} scale={scale} colours={view.colours} />
        )}
        {view.chart !== 'off' && selected?.reading && (
          <ChartPanel frame={frame} region={selected} chart={view.chart} dispatch={dispatch} />
        )}
      </div>
    </>
  );
}

function shiftWords({ x, y }: { x: number; y: number }, { facts, metric }: FrameView): string {
  const pixels = Math.hypot(x, y) * facts.width;
  return metric && metric.kind !== 'plane' ? lengthWords(pixels * metric.metresPerPixel) : `${pixels.toFixed(0)} pixels`;
}

/** The picture in words, for those who do not see it. */
function pictureWords(frame: FrameView, temperature: (celsius: number) => string): string {
  const regions = frame.regions.map(
    ({ row, reading }) => `${row.value.name} ${reading ? temperature(reading.statistics.mean) : 'no reading'}`,
  );
  return `${frame.row.value.name}: ${frame.facts.width} by ${frame.facts.height} pixels. ${regions.join(', ') || 'No regions yet'}.`;
}
