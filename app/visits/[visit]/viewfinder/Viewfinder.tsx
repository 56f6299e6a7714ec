'use client';

import {
  AimOutlined,
  ColumnWidthOutlined,
  DownOutlined,
  LeftOutlined,
  PauseOutlined,
  RightOutlined,
  SyncOutlined,
  UpOutlined,
} from '@ant-design/icons';
import { useDrag } from '@use-gesture/react';
import { Button, Segmented, Tooltip } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { sightAt } from '@core/method/radiometry/optics';
import type { CameraValue } from '@core/model/cameraRow';
import type { EarlierStop } from '@core/model/document';
import { COLOUR_MAPS, COLOUR_MAP_NAMES, type ColourMapName } from '@core/method/scale/colourMaps';
import { orderedScale, type Scale, type SteadySpan } from '@core/method/scale/scale';
import type { Pose } from '@core/method/simulate/surface';
import { PRACTICE_WORD } from '@core/work/visit/practice';
import { useUnits } from '@ui/units/UnitProvider';
import { useKeys } from '@ui/keys/useKeys';
import { AimChip } from './AimChip';
import { drawValues } from './drawValues';
import { LastTime } from './LastTime';
import { markedPixels, type Marked } from './markedPixels';
import { useViewfinder, type Shot } from './useViewfinder';
import styles from './Viewfinder.module.css';

interface Props {
  visitId: string;
  /** null where the stop has none. */
  surfaceId: string | null;
  camera: CameraValue;
  pose: Pose;
  home: Pose;
  onPose(pose: Pose): void;
  span: SteadySpan;
  earlier: EarlierStop | null;
  /** Buttons to step and to set it stand folded below. */
  folded?: boolean;
  /** Told of each picture that comes in view. */
  onShot(shot: Shot | null): void;
}

const STEP_M = 0.3;

/** What the stand-in camera sees now; drag or arrow keys turn it, buttons step nearer, farther and aside. */
export function Viewfinder({ visitId, surfaceId, camera, pose, home, onPose, span, earlier, folded = false, onShot }: Props) {
  const units = useUnits();
  const [range, setRange] = useState<'stretched' | 'held'>('stretched');
  const [held, setHeld] = useState<{ low: number; high: number } | null>(null);
  const [map, setMap] = useState<ColourMapName>(span.colourMap);
  const [automatic, setAutomatic] = useState(true);
  const [ghost, setGhost] = useState(true);
  const { shot, correct } = useViewfinder(visitId, surfaceId, pose, automatic);
  useEffect(() => {
    onShot(shot);
  }, [shot, onShot]);

  const seen = useMemo(
    () => shot && { width: camera.columns, height: camera.rows, values: shot.values },
    [shot, camera.columns, camera.rows],
  );
  const marked = shot && markedPixels(shot.values, camera.columns);
  const scale = marked && (range === 'held' && held ? { ...held, map } : orderedScale(marked.low, marked.high, map));
  const move = (dx: number, dy: number) => onPose({ ...pose, aim: { x: pose.aim.x + dx, y: pose.aim.y + dy } });
  const sight = sightAt(camera, pose.distance);
  const hold = () => {
    if (!marked) return;
    setHeld({ low: marked.middle - span.belowK, high: marked.middle + span.aboveK });
    setRange('held');
  };
  useKeys({
    ArrowLeft: () => move(-0.1, 0),
    ArrowRight: () => move(0.1, 0),
    ArrowUp: () => move(0, -0.1),
    ArrowDown: () => move(0, 0.1),
    h: () => (range === 'held' ? setRange('stretched') : hold()),
  });
  const stage = useRef<HTMLDivElement>(null);
  const bind = useDrag(
    ({ delta: [dx, dy] }) => {
      const perPixel = sight.width / (stage.current?.clientWidth ?? 400);
      move(-dx * perPixel, -dy * perPixel);
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  const near = pose.distance < camera.minDistanceM;
  const controls = (
    <div className={styles.controls} role="group" aria-label="Camera">
      <Button onClick={() => onPose({ ...pose, distance: Math.max(0.1, pose.distance - STEP_M) })} icon={<UpOutlined />}>
        Nearer
      </Button>
      <Button onClick={() => onPose({ ...pose, distance: Math.min(15, pose.distance + STEP_M) })} icon={<DownOutlined />}>
        Farther
      </Button>
      <Button onClick={() => onPose({ ...pose, aside: pose.aside - STEP_M })} icon={<LeftOutlined />}>
        Step left
      </Button>
      <Button onClick={() => onPose({ ...pose, aside: pose.aside + STEP_M })} icon={<RightOutlined />}>
        Step right
      </Button>
      <Button onClick={() => onPose(home)}>As advised</Button>
      <Segmented
        aria-label="Range of the colours"
        value={range}
        options={[
          { value: 'stretched', label: 'Stretched' },
          { value: 'held', label: 'Held' },
        ]}
        onChange={(next) => (next === 'held' ? hold() : setRange('stretched'))}
      />
      <Tooltip title={`Colours: ${COLOUR_MAPS[map].label}`}>
        <Button
          icon={<ColumnWidthOutlined />}
          aria-label={`Other colours; now ${COLOUR_MAPS[map].label}`}
          onClick={() => setMap(COLOUR_MAP_NAMES[(COLOUR_MAP_NAMES.indexOf(map) + 1) % COLOUR_MAP_NAMES.length]!)}
        />
      </Tooltip>
      <Tooltip
        title={automatic ? 'The shutter corrects by itself; switch that off' : 'The shutter is off: values wander; switch it on'}
      >
        <Button
          icon={<SyncOutlined />}
          aria-pressed={automatic}
          onClick={() => {
            correct();
            setAutomatic(!automatic);
          }}
        >
          Shutter {automatic ? 'on' : 'off'}
        </Button>
      </Tooltip>
      {earlier?.frame && (
        <Button aria-pressed={ghost} onClick={() => setGhost(!ghost)}>
          {ghost ? 'Hide last time' : 'Show last time'}
        </Button>
      )}
    </div>
  );
  return (
    <section className={styles.viewfinder} aria-label="Stand-in camera">
      <div ref={stage} className={styles.stage} {...bind()}>
        <div className={styles.hatch} aria-hidden="true" />
        {shot && scale ? (
          <Picture shot={shot} camera={camera} scale={scale} />
        ) : (
          <p className={styles.wait}>
            {surfaceId !== null ? 'The camera warms up …' : 'This stop has no surface that the stand-in camera could see.'}
          </p>
        )}
        {earlier?.frame && <AimChip frame={earlier.frame} now={seen} />}
        {ghost && earlier?.frame && <LastTime frame={earlier.frame} span={span} className={styles.ghost!} />}
        {marked && scale && (
          <>
            <Spot at={marked.coldest} camera={camera} words={`coldest ${units.bareTemperature(marked.coldest.celsius)}`} />
            <Spot at={marked.hottest} camera={camera} words={`hottest ${units.bareTemperature(marked.hottest.celsius)}`} />
            <span className={styles.centre}>
              <AimOutlined /> {units.temperature(marked.centre)}
            </span>
            <span className={styles.range} data-stretched={range === 'stretched'}>
              {range === 'held'
                ? `Held: ${units.bareTemperature(scale.low)} … ${units.temperature(scale.high)}`
                : `Stretched: all colours within ${units.difference(scale.high - scale.low)}`}
            </span>
          </>
        )}
        <span className={styles.word}>{PRACTICE_WORD}: an invented room</span>
        <span className={styles.place}>
          {pose.distance.toFixed(1)} m
          {pose.aside !== 0 ? `, ${Math.abs(pose.aside).toFixed(1)} m ${pose.aside > 0 ? 'right' : 'left'}` : ''}
          {near ? ' · too near, not sharp' : ''}
        </span>
        <span className={styles.shutter}>
          {shot?.closed ? (
            <>
              <PauseOutlined /> shutter
            </>
          ) : (
            `shutter ${Math.round(shot?.since ?? 0)} s ago${automatic ? '' : ' · off: values wander'}`
          )}
        </span>
      </div>
      {folded ? (
        <details>
          <summary className={styles.fold}>Move or set the camera</summary>
          {controls}
        </details>
      ) : (
        controls
      )}
    </section>
  );
}

function Picture({ shot, camera, scale }: { shot: Shot; camera: CameraValue; scale: Scale }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => drawValues(canvas.current, shot.values, camera.columns, scale), [shot.values, camera.columns, scale]);
  return (
    <canvas
      ref={canvas}
      width={camera.columns}
      height={camera.rows}
      className={styles.picture}
      role="img"
      aria-label="What the stand-in camera sees"
    />
  );
}

function Spot({ at, camera, words }: { at: Marked; camera: CameraValue; words: string }) {
  const left = (100 * (at.x + 0.5)) / camera.columns;
  const top = (100 * (at.y + 0.5)) / camera.rows;
  return (
    <span
      className={styles.spot}
      data-flip={left > 70}
      // The corners hold what the camera says of itself.
      data-below={top < 12}
      data-above={top > 88}
      style={{ left: `${left}%`, top: `${top}%` }}
    >
      <i />
      <b>{words}</b>
    </span>
  );
}
