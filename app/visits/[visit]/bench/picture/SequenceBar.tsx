'use client';

import { CaretRightOutlined, PauseOutlined } from '@ant-design/icons';
import { Button, InputNumber, Slider, Tooltip } from 'antd';
import { useEffect, useState } from 'react';
import type { Row } from '@core/model/entities';
import { useVisit } from '@ui/visit/VisitProvider';
import { momentsOf } from '@core/work/visit/frames';
import styles from './SequenceBar.module.css';

/** Frames a second while a recording plays. */
const RATE = 5;
/** Pixels are fetched so far ahead. */
const AHEAD = 5;

/** A recording: played, stepped through, and moments picked out of it as frames of their own. */
export function SequenceBar({ frame, onShow }: { frame: Row<'frame'>; onShow(id: string): void }) {
  const { document, edit, pixels } = useVisit();
  const [playing, setPlaying] = useState(false);
  const sequence = document.rows.sequence[frame.value.sequenceId ?? ''];
  const moments = sequence ? momentsOf(document, sequence.id) : [];
  const at = moments.findIndex(({ id }) => id === frame.id);
  const nextId = moments[(at + 1) % Math.max(1, moments.length)]?.id;

  useEffect(() => {
    for (const { id } of moments.slice(at, at + AHEAD)) pixels.want(id);
  });
  useEffect(() => {
    if (!playing || !nextId) return;
    const timer = setTimeout(() => {
      // The next moment waits until its pixels are here.
      if (pixels.get(nextId)) onShow(nextId);
    }, 1000 / RATE);
    return () => clearTimeout(timer);
  });

  if (!sequence || moments.length < 2) return null;
  const { name, intervalS } = sequence.value;
  return (
    <div className={styles.bar} role="group" aria-label={`Sequence ${name}`}>
      <Button
        size="small"
        icon={playing ? <PauseOutlined /> : <CaretRightOutlined />}
        aria-label={playing ? 'Pause' : 'Play'}
        onClick={() => setPlaying(!playing)}
      />
      <Slider
        className={styles.slider}
        min={1}
        max={moments.length}
        value={at + 1}
        onChange={(place) => onShow(moments[place - 1]!.id)}
        tooltip={{ formatter: (place) => `${place} of ${moments.length}` }}
        ariaLabelForHandle="Moment of the sequence"
      />
      <span className={styles.place}>
        {at + 1} of {moments.length}
        {intervalS !== null && ` · ${timeWords(at * intervalS)}`}
      </span>
      <Tooltip title="Seconds from one frame to the next, where the files do not say">
        <InputNumber
          size="small"
          className={styles.interval}
          aria-label="Seconds from one frame to the next"
          value={intervalS}
          min={0}
          step={0.5}
          suffix="s"
          placeholder="?"
          onChange={(value) =>
            edit('Pace of the sequence', [
              {
                entity: 'sequence',
                rowId: sequence.id,
                value: { ...sequence.value, intervalS: value && value > 0 ? value : null },
              },
            ])
          }
        />
      </Tooltip>
      <Button
        size="small"
        type={frame.value.picked ? 'default' : 'primary'}
        onClick={() =>
          edit(frame.value.picked ? 'Moment put back' : 'Moment picked', [
            { entity: 'frame', rowId: frame.id, value: { ...frame.value, picked: !frame.value.picked } },
          ])
        }
      >
        {frame.value.picked ? 'Put this moment back' : 'Pick this moment'}
      </Button>
    </div>
  );
}

function timeWords(seconds: number): string {
  if (seconds < 60) return `${Number(seconds.toFixed(1))} s`;
  return `${Math.floor(seconds / 60)} min ${Math.round(seconds % 60)} s`;
}
