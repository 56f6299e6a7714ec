'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Input, InputNumber, Switch } from 'antd';
import { useRef, type MouseEvent } from 'react';
import type { Row } from '@core/model/entities';
import { type PhotoValue, photoValueSchema } from '@core/model/photoRow';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { photoUrl } from '@ui/visit/photoUrl';
import styles from './EvidenceView.module.css';

/** A coloured picture without data: shown, with what somebody read on it and typed; nothing is ever measured on it. */
export function EvidenceView({ photo }: { photo: Row<'photo'> }) {
  const { document, edit } = useVisit();
  const units = useUnits();
  const picture = useRef<HTMLDivElement>(null);
  const { typed } = photo.value;
  const { width, height } = document.photoFacts[photo.id]!;
  const put = (change: Partial<PhotoValue>, label: string) => {
    const next = photoValueSchema.safeParse({ ...photo.value, ...change });
    if (next.success) edit(label, [{ entity: 'photo', rowId: photo.id, value: next.data }]);
  };
  const putSpot = (i: number, change: Partial<PhotoValue['typed']['spots'][number]>) =>
    put({ typed: { ...typed, spots: typed.spots.map((spot, k) => (k === i ? { ...spot, ...change } : spot)) } }, 'Typed value');
  const addSpot = (event: MouseEvent) => {
    const box = picture.current!.getBoundingClientRect();
    const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    if (x < 0 || y < 0 || x > 1 || y > 1) return;
    const spot = { x, y, celsius: 20, words: `spot ${typed.spots.length + 1}` };
    put({ typed: { ...typed, spots: [...typed.spots, spot] } }, 'Typed spot');
  };
  const end = (key: 'lowC' | 'highC', label: string) => (
    <label>
      {label}
      <InputNumber
        size="small"
        aria-label={label}
        value={typed[key] === null ? null : units.toField(typed[key])}
        suffix={`°${units.unit}`}
        onChange={(value) => put({ typed: { ...typed, [key]: value === null ? null : units.fromField(value) } }, label)}
      />
    </label>
  );
  return (
    <section className={styles.view} aria-label={`Picture without data ${photo.value.name}`}>
      <div className={styles.stage}>
        <div ref={picture} className={styles.picture} style={{ aspectRatio: `${width} / ${height}` }} onClick={addSpot}>
          <img src={photoUrl(photo)} alt={`Picture without data ${photo.value.name}`} />
          {typed.spots.map(({ x, y, words, celsius }, i) => (
            <span key={i} className={styles.spot} style={{ left: `${100 * x}%`, top: `${100 * y}%` }}>
              {words || `spot ${i + 1}`} {units.temperature(celsius)} typed
            </span>
          ))}
        </div>
      </div>
      <div className={styles.side}>
        <h2>{photo.value.name}</h2>
        <p className={styles.mark}>Evidence without data: it holds colours, not temperatures. Nothing is measured on it.</p>
        <p className={styles.quiet}>Click on the picture where a value stands, and type it. The report shows it as typed.</p>
        <ul>
          {typed.spots.map((spot, i) => (
            <li key={i}>
              <Input
                size="small"
                aria-label={`Name of typed spot ${i + 1}`}
                value={spot.words}
                onChange={(event) => putSpot(i, { words: event.target.value })}
              />
              <InputNumber
                size="small"
                aria-label={`Value of typed spot ${i + 1}`}
                value={units.toField(spot.celsius)}
                suffix={`°${units.unit}`}
                onChange={(value) => value !== null && putSpot(i, { celsius: units.fromField(value) })}
              />
              <Button
                size="small"
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Remove typed spot ${i + 1}`}
                onClick={() => put({ typed: { ...typed, spots: typed.spots.filter((_, k) => k !== i) } }, 'Typed spot removed')}
              />
            </li>
          ))}
        </ul>
        {end('lowC', 'Cold end of its scale')}
        {end('highC', 'Warm end of its scale')}
        <label>
          It is a picture of temperatures
          <Switch
            aria-label="It is a picture of temperatures"
            checked={photo.value.evidence}
            onChange={(evidence) => put({ evidence }, evidence ? 'Kept as evidence without data' : 'Kept as a photo')}
          />
        </label>
      </div>
    </section>
  );
}
