'use client';

import { AreaChartOutlined, DeleteOutlined, ForwardOutlined, LinkOutlined, RotateRightOutlined } from '@ant-design/icons';
import { App, Button, Input, InputNumber, Tooltip } from 'antd';
import { useState } from 'react';
import { cautionWords } from '@core/method/frame/cautionWords';
import type { Shape } from '@core/method/frame/region';
import { turnedShape } from '@core/method/frame/reshape';
import type { Row } from '@core/model/entities';
import { nameSchema } from '@core/ground/fields';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { KnownSize } from './KnownSize';
import { MoistureNote } from './MoistureNote';
import { sizeWords } from '../lengthWords';
import { UncertaintyParts } from './UncertaintyParts';
import type { FrameView, RegionReading } from '@core/work/visit/frameView';
import { cameraOfFrame } from '@core/work/visit/frames';
import type { RegionEdits } from '../useRegions';
import styles from './Ledger.module.css';

const SIGNS: Record<Shape['kind'], string> = { spot: '+', box: '▭', ellipse: '◯', line: '╱', poly: '⬠', beyond: '◪' };

interface Props {
  frame: FrameView;
  region: RegionReading;
  reference: boolean;
  selected: boolean;
  regions: RegionEdits;
  /** The frame that a copy would go to. */
  next: Row<'frame'> | null;
  onSelect(regionId: string | null): void;
  onChart(): void;
}

/** One region with its number; chosen, with all that is known of it and can be done to it. */
export function RegionLine({ frame, region, reference, selected, regions, next, onSelect, onChart }: Props) {
  const units = useUnits();
  const { document } = useVisit();
  const { message } = App.useApp();
  const { row, reading, problem, size } = region;
  const { role, shape } = row.value;
  const copyLink = async () => {
    await navigator.clipboard.writeText(`${window.location.origin}/visits/${document.visitId}/bench/${frame.id}/${row.id}`);
    void message.success('Link copied.', 2);
  };
  const sign = reference ? '◆' : role === 'leftOut' ? '▨' : role === 'length' ? '↔' : SIGNS[shape.kind];
  const cautions = region.cautions.map((caution) => ({
    code: caution.code,
    words: cautionWords(caution, units.temperature),
  }));
  return (
    <li className={styles.region} data-selected={selected} data-reference={reference}>
      <button type="button" className={styles.line} aria-pressed={selected} onClick={() => onSelect(selected ? null : row.id)}>
        <span aria-hidden="true" className={styles.sign}>
          {sign}
        </span>
        <span className={styles.name}>
          {row.value.name} {reference && <small>reference</small>}
          {cautions.length > 0 && (
            <small className={styles.caution} title={cautions.map(({ words }) => words).join(' ')}>
              caution
            </small>
          )}
        </span>
        {reading ? (
          <>
            <b>{units.temperature(reading.statistics.mean)}</b>
            <em>{units.spread(reading.statistics.mean, reading.uncertainty)}</em>
          </>
        ) : role === 'length' ? (
          <b>{size ? sizeWords(size) : 'no scale yet'}</b>
        ) : role === 'leftOut' ? (
          <b className={styles.none}>left out</b>
        ) : (
          <b className={styles.none}>no reading</b>
        )}
      </button>
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      {selected && (
        <div className={styles.details}>
          {reading && <Statistics region={region} />}
          {reading && <MoistureNote frameId={frame.id} reading={reading} />}
          {cautions.map(({ code, words }) => (
            <p key={code} className={styles.problem} role="note">
              {words}
            </p>
          ))}
          <NameField
            key={row.value.name}
            name={row.value.name}
            onRename={(name) => regions.change(row.id, { name }, 'Region renamed')}
          />
          {shape.kind === 'beyond' && (
            <MarkField
              key={shape.markC}
              markC={shape.markC}
              onMark={(markC) => regions.change(row.id, { shape: { ...shape, markC } }, 'Mark moved')}
            />
          )}
          <KnownSize frame={frame} region={row} />
          <div className={styles.acts}>
            {role === 'reading' && (
              <>
                <Button size="small" disabled={reference} onClick={() => regions.markReference(row.id)}>
                  Mark as reference
                </Button>
                <Tooltip title="Histogram and profile (C)">
                  <Button size="small" icon={<AreaChartOutlined />} aria-label={`Chart of ${row.value.name}`} onClick={onChart} />
                </Tooltip>
              </>
            )}
            {shape.kind !== 'spot' && shape.kind !== 'beyond' && (
              <Tooltip title="Turn by 15° (comma and point turn by a degree)">
                <Button
                  size="small"
                  icon={<RotateRightOutlined />}
                  aria-label={`Turn ${row.value.name}`}
                  onClick={() => regions.reshape(row.id, (one) => turnedShape(one, 15), 'Region turned')}
                />
              </Tooltip>
            )}
            <Tooltip title="Copy a link to this region">
              <Button
                size="small"
                icon={<LinkOutlined />}
                aria-label={`Link to ${row.value.name}`}
                onClick={() => void copyLink()}
              />
            </Tooltip>
            {next && (
              <Tooltip title={`Copy to the next frame, ${next.value.name}`}>
                <Button
                  size="small"
                  icon={<ForwardOutlined />}
                  aria-label={`Copy ${row.value.name} to the next frame`}
                  onClick={() => regions.copyTo(row.id, next)}
                />
              </Tooltip>
            )}
            <Tooltip title="Remove this region (Delete)">
              <Button
                size="small"
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Remove ${row.value.name}`}
                onClick={() => regions.remove(row.id)}
              />
            </Tooltip>
          </div>
        </div>
      )}
    </li>
  );
}

function Statistics({ region }: { region: RegionReading }) {
  const units = useUnits();
  const { document } = useVisit();
  const { statistics, uncertainty } = region.reading!;
  return (
    <>
      <p className={styles.quiet}>
        {statistics.count} px · {units.bareTemperature(statistics.min)} … {units.temperature(statistics.max)} · median{' '}
        {units.bareTemperature(statistics.median)}
        {statistics.std !== null && ` · spread ${units.difference(statistics.std)}`}
        {statistics.percentiles &&
          ` · all but the outermost 2 %: ${units.bareTemperature(statistics.percentiles.low)} … ${units.bareTemperature(statistics.percentiles.high)}`}
        {region.size && ` · ${sizeWords(region.size)}`}
      </p>
      <UncertaintyParts
        uncertainty={uncertainty}
        of={region.row.value.name}
        camera={cameraOfFrame(document, region.row.value.frameId)}
      />
    </>
  );
}

const regionName = nameSchema(80);

function NameField({ name, onRename }: { name: string; onRename(name: string): void }) {
  const [typed, setTyped] = useState(name);
  const checked = regionName.safeParse(typed);
  const keep = () => {
    if (checked.success) onRename(checked.data);
    else setTyped(name);
  };
  return (
    <label className={styles.nameField}>
      <span>Name</span>
      <Input
        size="small"
        value={typed}
        status={checked.success ? '' : 'error'}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onPressEnter={(event) => event.currentTarget.blur()}
      />
      {!checked.success && <em role="alert">The name {checked.error.issues[0]!.message}.</em>}
    </label>
  );
}

function MarkField({ markC, onMark }: { markC: number; onMark(markC: number): void }) {
  const units = useUnits();
  const [typed, setTyped] = useState<number | null>(units.toField(markC));
  return (
    <label className={styles.nameField}>
      <span>Mark</span>
      <InputNumber
        size="small"
        value={typed}
        step={0.5}
        suffix={`°${units.unit}`}
        onChange={setTyped}
        onBlur={() => typed !== null && onMark(Math.max(-150, Math.min(2000, units.fromField(typed))))}
        onPressEnter={(event) => (event.target as HTMLElement).blur()}
      />
    </label>
  );
}
