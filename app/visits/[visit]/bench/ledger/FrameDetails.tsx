'use client';

import { EditOutlined } from '@ant-design/icons';
import { Button, Input, Popover, Segmented, Select, Tooltip } from 'antd';
import { useMemo, useState } from 'react';
import { ROOM_C } from '@core/work/camera/correction';
import { number } from '@core/ground/format';
import { HONEST_PIXELS } from '@core/method/radiometry/optics';
import { isWholePicture } from '@core/method/frame/metric';
import { spansOf } from '@core/method/frame/region';
import { regionStatistics } from '@core/method/frame/statistics';
import { correctValues } from '@core/method/radiometry/measurement';
import type { FrameView } from '@core/work/visit/frameView';
import { findingsOn } from '@core/work/visit/findings';
import { cameraOfFrame } from '@core/work/visit/frames';
import type { Turn } from '@core/method/frame/reshape';
import { roomsOf } from '@core/work/visit/theVisit';
import type { Row } from '@core/model/entities';
import { frameValueSchema } from '@core/model/frameRow';
import { SIDE_WORDS, type Side, SIDES } from '@core/ground/side';
import { sideOf } from '@core/work/visit/standing';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { BasisFields } from './BasisFields';
import { lengthWords } from '../lengthWords';
import { useTurn } from '../useTurn';
import styles from './FrameDetails.module.css';

/** Where a frame was taken and what it is called; without a place it means nothing next week. */
export function FrameDetails({ frame }: { frame: FrameView }) {
  const { row, metric, values, line } = frame;
  const { document } = useVisit();
  const units = useUnits();
  const { offsetK, slope, width, height } = document.frameFacts[row.id]!;
  const ends = useMemo(
    () =>
      regionStatistics(
        values,
        width,
        spansOf({ kind: 'box', x: 0, y: 0, width, height }, width, height),
        (all) => void correctValues(all, line, all),
      ),
    [values, line, width, height],
  );
  const camera = cameraOfFrame(document, row.id);
  const cut = camera && !isWholePicture({ width, height }, camera) ? camera : null;
  const room = document.rows.room[row.value.roomId ?? '']?.value.name;
  return (
    <div className={styles.details}>
      <span>
        <b>{row.value.name}</b> · {room ?? 'no place yet'} · {SIDE_WORDS[sideOf(document, row.id)]}
        {offsetK !== 0 && ` · ${units.signedDifference(offsetK)} by the checks of its camera`}
        {slope !== 0 && ` and ${number(100 * slope, 1)} % of the distance from ${units.temperature(ROOM_C)}`}
        {row.value.basis.kind === 'computed' && ` · computed by the camera at ε ${row.value.basis.settings.emissivity}`}
        {ends && (
          <small>
            Whole frame: coldest {units.bareTemperature(ends.min)}, hottest {units.temperature(ends.max)}
            {ends.percentiles &&
              `; all but the outermost 2 %: ${units.bareTemperature(ends.percentiles.low)} … ${units.temperature(ends.percentiles.high)}`}
            .
          </small>
        )}
        {metric && metric.kind !== 'plane' && (
          <small>
            One pixel covers {lengthWords(metric.metresPerPixel)}; nothing below{' '}
            {lengthWords(HONEST_PIXELS * metric.metresPerPixel)} can be read.
          </small>
        )}
        {metric === null && cut && (
          <small>
            {width} × {height} is not the whole picture of its camera ({cut.columns} × {cut.rows}): mark a known length for sizes.
          </small>
        )}
        {metric?.kind === 'plane' && <small>Sizes are those of the marked plane.</small>}
      </span>
      <Popover trigger="click" placement="leftTop" title="This frame" content={<FrameForm row={row} />}>
        <Button size="small" type="text" icon={<EditOutlined />} aria-label="Change what this frame is" />
      </Popover>
    </div>
  );
}

const TURNS: { turn: Turn; label: string; words: string }[] = [
  { turn: 'left', label: '⟲', words: 'Turn to the left' },
  { turn: 'right', label: '⟳', words: 'Turn to the right' },
  { turn: 'half', label: '⇅', words: 'Turn upside down' },
  { turn: 'mirror', label: '⇆', words: 'Mirror' },
];

function FrameForm({ row }: { row: Row<'frame'> }) {
  const { document, edit } = useVisit();
  const { turn, turning } = useTurn();
  const stated = findingsOn(document, new Set([row.id])).length > 0;
  const put = (label: string, change: Partial<Row<'frame'>['value']>) =>
    edit(label, [{ entity: 'frame', rowId: row.id, value: { ...row.value, ...change } }]);
  return (
    <div className={styles.form}>
      <FrameName key={row.value.name} name={row.value.name} onName={(name) => put('Frame renamed', { name })} />
      <label htmlFor="frame-room">Room</label>
      <Select
        id="frame-room"
        value={row.value.roomId}
        onChange={(roomId) => put('Frame moved to another room', { roomId, surfaceId: null })}
        options={[
          { value: null, label: 'No place yet' },
          ...roomsOf(document).map(({ id, value }) => ({ value: id, label: value.name })),
        ]}
      />
      <label htmlFor="frame-surface">Surface</label>
      <Select
        id="frame-surface"
        value={row.value.surfaceId}
        onChange={(surfaceId) => put('Surface of the frame', { surfaceId })}
        options={[
          { value: null, label: 'Not said' },
          ...Object.values(document.rows.surface)
            .filter(({ value }) => value.roomId === (row.value.side === 'outside' ? null : row.value.roomId))
            .map(({ id, value }) => ({ value: id, label: value.name })),
        ]}
      />
      <span>Seen from</span>
      <Segmented<Side>
        aria-label="Side that the frame was taken from"
        value={row.value.side}
        onChange={(side) => put('Side of the frame', { side })}
        options={SIDES.map((value) => ({ value, label: SIDE_WORDS[value] }))}
      />
      <span>The picture, with its photo and all that is drawn on it</span>
      <div className={styles.turns}>
        {TURNS.map(({ turn: how, label, words }) => (
          <Tooltip key={how} title={words}>
            <Button aria-label={words} disabled={turning} onClick={() => void turn([row.id], how)}>
              {label}
            </Button>
          </Tooltip>
        ))}
      </div>
      <BasisFields basis={row.value.basis} onBasis={(basis) => put('What the values are', { basis })} />
      <Button danger disabled={stated} onClick={() => put(`Taken back: ${row.value.name}`, { discarded: true })}>
        {stated ? 'A finding states this frame' : 'Take this frame back'}
      </Button>
    </div>
  );
}

/** A name that is empty is refused in the field; a good one is kept when the field is left. */
function FrameName({ name, onName }: { name: string; onName(name: string): void }) {
  const [typed, setTyped] = useState(name);
  const checked = frameValueSchema.shape.name.safeParse(typed);
  return (
    <>
      <label htmlFor="frame-name">Name</label>
      <Input
        id="frame-name"
        value={typed}
        status={checked.success ? '' : 'error'}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => checked.success && onName(checked.data)}
        onPressEnter={(event) => event.currentTarget.blur()}
      />
      {!checked.success && <em role="alert">The name {checked.error.issues[0]!.message}.</em>}
    </>
  );
}
