'use client';

import { DeleteOutlined, PlusOutlined, SwapOutlined } from '@ant-design/icons';
import { Button, InputNumber, Select } from 'antd';
import {
  BEHIND_WORDS,
  BEHINDS,
  losesHeat,
  OPENING_KINDS,
  OPENING_WORDS,
  SURFACE_KINDS,
  SURFACE_WORDS,
} from '@core/model/houseKinds';
import type { VisitDocument } from '@core/model/document';
import type { Row } from '@core/model/entities';
import { type Opening, type SurfaceValue, surfaceValueSchema } from '@core/model/surfaceRow';
import { compassWord } from '@core/method/weather/plan';
import { WALLS } from '@core/method/weather/wallMemory';
import { CommitText } from '@ui/form/CommitText';
import { useVisit } from '@ui/visit/VisitProvider';
import type { HouseHand } from './useHouse';
import styles from './SurfaceList.module.css';

const MASS_WORDS = { light: 'Light', brick: 'Brick', stone: 'Stone' } as const;

/** Surfaces of one room or of the outside; those that lose heat are open, the others a line each. */
export function SurfaceList({ rows, roomId, house }: { rows: Row<'surface'>[]; roomId: string | null; house: HouseHand }) {
  return (
    <ul className={styles.list}>
      {rows.map((row) => (
        <Surface key={row.id} row={row} house={house} />
      ))}
      <li>
        <Button icon={<PlusOutlined />} onClick={() => house.addSurface(roomId)}>
          Add a surface
        </Button>
      </li>
    </ul>
  );
}

function Surface({ row, house }: { row: Row<'surface'>; house: HouseHand }) {
  const { document } = useVisit();
  const { name, kind, behind, mass, azimuth, widthM, heightM, openings, otherSideId, roomId } = row.value;
  const other = otherSideId === null ? undefined : document.rows.surface[otherSideId];
  const size = (label: string, value: number, put: (next: number) => void) => (
    <InputNumber
      aria-label={`${label} of ${name}`}
      value={value}
      min={0.3}
      max={60}
      step={0.1}
      suffix="m"
      onChange={(next) => next !== null && put(next)}
    />
  );
  return (
    <li className={styles.surface}>
      <details open={losesHeat(behind) && roomId !== null}>
        <summary>
          <b>{name}</b>
          <small>
            {SURFACE_WORDS[kind]}
            {roomId === null ? '' : ` · ${BEHIND_WORDS[behind].toLowerCase()} behind`}
            {azimuth === null ? '' : ` · looks ${compassWord(azimuth)}`} · {widthM.toFixed(1)} × {heightM.toFixed(1)} m
            {openings.length > 0 ? ` · ${openings.map((one) => OPENING_WORDS[one.kind].toLowerCase()).join(', ')}` : ''}
          </small>
        </summary>
        <div className={styles.fields}>
          <CommitText
            label={`Name of ${name}`}
            value={name}
            schema={surfaceValueSchema.shape.name}
            onCommit={(next) => house.putSurface(row, 'Name of the surface', { name: next })}
          />
          <Select
            aria-label={`Kind of ${name}`}
            value={kind}
            options={SURFACE_KINDS.filter((one) => (one === 'facade' || one === 'roof') === (roomId === null)).map((one) => ({
              value: one,
              label: SURFACE_WORDS[one],
            }))}
            onChange={(next) => house.putSurface(row, `Kind of ${name}`, { kind: next })}
          />
          <Select
            aria-label={`Behind ${name}`}
            value={behind}
            options={BEHINDS.map((one) => ({ value: one, label: BEHIND_WORDS[one] }))}
            onChange={(next) => house.putSurface(row, `Behind ${name}`, { behind: next })}
          />
          <Select
            aria-label={`Build of ${name}`}
            value={mass}
            options={WALLS.map((one) => ({ value: one, label: MASS_WORDS[one] }))}
            onChange={(next) => house.putSurface(row, `Build of ${name}`, { mass: next })}
          />
          <InputNumber
            aria-label={`Azimuth of ${name}`}
            value={azimuth}
            min={0}
            max={359}
            precision={0}
            suffix="°"
            placeholder="looks to"
            onChange={(next) => house.putSurface(row, `Azimuth of ${name}`, { azimuth: next })}
          />
          {size('Width', widthM, (next) => house.putSurface(row, `Width of ${name}`, { widthM: next }))}
          {size('Height', heightM, (next) => house.putSurface(row, `Height of ${name}`, { heightM: next }))}
        </div>
        <div className={styles.openings}>
          {openings.map((opening, i) => (
            <OpeningFields
              key={i}
              opening={opening}
              surface={name}
              onChange={(next) =>
                house.putSurface(row, next ? 'Opening' : 'Opening removed', {
                  openings: openings.flatMap((one, n) => (n === i ? (next ? [next] : []) : [one])),
                })
              }
            />
          ))}
          <Select
            aria-label={`Add an opening to ${name}`}
            value={null}
            placeholder="Add an opening"
            options={OPENING_KINDS.map((one) => ({ value: one, label: OPENING_WORDS[one] }))}
            onChange={(next) => next && house.addOpening(row, next)}
          />
        </div>
        <label className={styles.other}>
          <span>
            <SwapOutlined /> The same place from its other side
          </span>
          <Select
            aria-label={`Other side of ${name}`}
            value={other ? otherSideId : null}
            showSearch={{ optionFilterProp: 'label' }}
            options={[
              { value: null, label: 'Not said' },
              ...house.surfaces
                .filter(({ id, value }) => id !== row.id && value.roomId !== roomId)
                .map(({ id, value }) => ({ value: id, label: surfaceWords(document, value) })),
            ]}
            onChange={(next) => house.linkSides(row, next)}
          />
        </label>
        <Button
          type="text"
          danger
          icon={<DeleteOutlined />}
          className={styles.remove}
          aria-label={`Remove ${name}`}
          onClick={() => house.removeSurface(row)}
        >
          Remove this surface
        </Button>
      </details>
    </li>
  );
}

/** Room and name; outdoors the name alone. */
function surfaceWords(document: VisitDocument, { roomId, name }: SurfaceValue): string {
  const room = document.rows.room[roomId ?? '']?.value.name;
  return room ? `${room}, ${name.toLowerCase()}` : name;
}

function OpeningFields({
  opening,
  surface,
  onChange,
}: {
  opening: Opening;
  surface: string;
  onChange(next: Opening | null): void;
}) {
  const words = OPENING_WORDS[opening.kind];
  const number = (label: string, field: 'x' | 'y' | 'width' | 'height', least: number) => (
    <label>
      <span>{label}</span>
      <InputNumber
        aria-label={`${words} in ${surface}: ${label}`}
        value={Math.round(opening[field] * 100) / 100}
        min={least}
        max={20}
        step={0.1}
        onChange={(next) => next !== null && onChange({ ...opening, [field]: next })}
      />
    </label>
  );
  return (
    <div className={styles.opening}>
      <b>{words}</b>
      {number('from left, m', 'x', 0)}
      {number('from top, m', 'y', 0)}
      {number('width, m', 'width', 0.02)}
      {number('height, m', 'height', 0.02)}
      <Button
        type="text"
        icon={<DeleteOutlined />}
        aria-label={`Remove ${words.toLowerCase()} from ${surface}`}
        onClick={() => onChange(null)}
      />
    </div>
  );
}
