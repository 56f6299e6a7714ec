'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useMemo, useState } from 'react';
import { v7 as newId } from 'uuid';
import { correctedGrid } from '@core/work/heating/faces';
import { floorGrowth, floorReading, floorWords } from '@core/work/heating/floorOf';
import type { Row } from '@core/model/entities';
import { floorTraceValueSchema, type FloorTraceValue } from '@core/model/floorTraceRow';
import { takenAtOf, framesOf } from '@core/work/visit/frames';
import { CommitText } from '@ui/form/CommitText';
import { useUnits } from '@ui/units/UnitProvider';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { FloorPicture } from './FloorPicture';
import { NumberField } from '@ui/form/NumberField';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

/** Floor heating: runs found by their spacing, runs that stay cold, parts that nothing warms; frame by frame as it warms up. */
export function Floor() {
  const { document, edit } = useVisit();
  const { clock } = useHeat();
  const [frameId, setFrame] = useState<string | null>(null);
  const traces = Object.values(document.rows.floorTrace)
    .filter(({ value }) => document.rows.frame[value.frameId]?.value.discarded === false)
    .sort((a, b) => timeOf(a) - timeOf(b));
  function timeOf({ value }: Row<'floorTrace'>): number {
    return Date.parse(takenAtOf(document, value.frameId));
  }
  const frames = framesOf(document);
  const begin = () => {
    const facts = frameId === null ? undefined : document.frameFacts[frameId];
    if (!frameId || !facts) return;
    const inset = Math.round(0.05 * Math.min(facts.width, facts.height));
    const like = traces.at(-1)?.value;
    const value: FloorTraceValue = {
      frameId,
      name: like?.name ?? 'Floor',
      // The same view again keeps its box: a warm-up is seen in one place.
      box: like?.box ?? { x: inset, y: inset, width: facts.width - 2 * inset, height: facts.height - 2 * inset },
      widthM: like?.widthM ?? null,
      note: '',
    };
    edit('Floor to be read', [{ entity: 'floorTrace', rowId: newId(), value }]);
  };
  return (
    <div className={styles.single}>
      <div className={styles.main}>
        <div className={styles.row}>
          <Select
            aria-label="Frame of a floor"
            placeholder="Choose a frame of the floor"
            style={{ minWidth: 280 }}
            value={frameId}
            showSearch={{ optionFilterProp: 'label' }}
            options={frames.map(({ id, value }) => ({
              value: id,
              label: `${value.name} · ${clock(Date.parse(takenAtOf(document, id)))}`,
            }))}
            onChange={setFrame}
          />
          <Button type="primary" disabled={frameId === null} onClick={begin}>
            Read the floor
          </Button>
        </div>
        {traces.length === 0 && (
          <p className={styles.quiet}>
            Frames of the floor while it warms up show its runs best: take one every few minutes from the same spot (Round), then
            choose them here one by one. Wet or covered places leave false marks.
          </p>
        )}
        {traces.map((row) => (
          <Trace key={row.id} row={row} all={traces} />
        ))}
      </div>
    </div>
  );
}

function Trace({ row, all }: { row: Row<'floorTrace'>; all: Row<'floorTrace'>[] }) {
  const { document, edit } = useVisit();
  const { clock } = useHeat();
  const units = useUnits();
  const { value } = row;
  const pixels = usePixels(value.frameId);
  const values = pixels(value.frameId);
  const before = all[all.indexOf(row) - 1] ?? null;
  const earlier = before ? pixels(before.value.frameId) : undefined;
  const found = useMemo(
    () => (values ? floorReading(correctedGrid(document, value.frameId, values), value) : undefined),
    [document, value, values],
  );
  const put = (label: string, change: Partial<FloorTraceValue>) =>
    edit(label, [{ entity: 'floorTrace', rowId: row.id, value: { ...value, ...change } }]);
  const { name, widthM, note } = floorTraceValueSchema.shape;
  const rise = useMemo(
    () =>
      values && earlier && before
        ? floorGrowth(
            [correctedGrid(document, before.value.frameId, earlier), before.value],
            [correctedGrid(document, value.frameId, values), value],
          )
        : null,
    [document, before, earlier, value, values],
  );
  return (
    <section className={styles.card} aria-label={value.name}>
      <div className={styles.row}>
        <div className={styles.name}>
          <CommitText
            label="Name of the floor"
            value={value.name}
            schema={name}
            onCommit={(next) => put('Name', { name: next })}
          />
        </div>
        <span className={styles.quiet}>{clock(Date.parse(takenAtOf(document, value.frameId)))}</span>
        <Button
          type="text"
          icon={<DeleteOutlined />}
          aria-label={`Remove ${value.name}`}
          onClick={() => edit(`Removed: ${value.name}`, [{ entity: 'floorTrace', rowId: row.id, value: null }])}
        />
      </div>
      <FloorPicture
        trace={value}
        loops={found && 'spacingPx' in found ? found : null}
        onBox={(box) => put('Box of the floor', { box })}
      />
      <div className={styles.fields}>
        <NumberField
          label="Width of the box"
          value={value.widthM}
          schema={widthM}
          suffix="m"
          step={0.1}
          onCommit={(next) => put('Width of the box', { widthM: next })}
        />
        <label className={styles.field}>
          <span>What lies on it, or is wet</span>
          <CommitText
            label="What lies on it, or is wet"
            value={value.note}
            schema={note}
            placeholder="rug, bed, wet from mopping …"
            onCommit={(next) => put('What lies on it', { note: next })}
          />
        </label>
      </div>
      {found === undefined ? (
        <p className={styles.quiet}>The frame is on its way …</p>
      ) : (
        <ul role="status">
          {floorWords(found, value).map((words) => (
            <li key={words}>{words}</li>
          ))}
          {rise !== null && (
            <li>
              Since {clock(Date.parse(takenAtOf(document, before!.value.frameId)))} the box has changed by{' '}
              {units.signedDifference(rise.meanK)} in the mean
              {rise.contrastsK === null
                ? ''
                : `; its runs stood out by ${units.difference(rise.contrastsK[0])} then, by ${units.difference(rise.contrastsK[1])} now`}
              .
            </li>
          )}
        </ul>
      )}
    </section>
  );
}
