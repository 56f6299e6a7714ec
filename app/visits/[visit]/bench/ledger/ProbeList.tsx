'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { boundsOf } from '@core/method/frame/region';
import { probeReading } from '@core/work/visit/probes';
import { probeValueSchema } from '@core/model/probeRow';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { probesOf } from './probes';
import type { FrameView, RegionReading } from '@core/work/visit/frameView';
import styles from './Ledger.module.css';
import dialog from '../Dialogs.module.css';

/** What a contact thermometer showed beside the frame, with its own ±, and how far the frame's reading there is from it. */
export function ProbeList({ frame, selected }: { frame: FrameView; selected: RegionReading | null }) {
  const { document, edit } = useVisit();
  const units = useUnits();
  const [adding, setAdding] = useState(false);
  const probes = probesOf(document, frame.id);
  return (
    <section aria-label="Probe values">
      {probes.map(({ id, value }) => {
        const reading = probeReading(document, value);
        return (
          <div key={id} className={styles.probe}>
            <span>
              {value.name}
              <small>
                by probe{value.instrumentId && `, ${document.rows.instrument[value.instrumentId]?.value.name ?? 'gone'}`}
              </small>
            </span>
            <b>{units.temperature(reading.celsius)}</b>
            <em>{units.plusMinus(reading.uncertainty)}</em>
            <Button
              size="small"
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove probe value ${value.name}`}
              onClick={() => edit('Probe value removed', [{ entity: 'probe', rowId: id, value: null }])}
            />
          </div>
        );
      })}
      <Button size="small" type="text" icon={<PlusOutlined />} onClick={() => setAdding(true)}>
        Add a probe value
      </Button>
      {adding && <ProbeDialog frame={frame} selected={selected} onClose={() => setAdding(false)} />}
    </section>
  );
}

function ProbeDialog({ frame, selected, onClose }: { frame: FrameView; selected: RegionReading | null; onClose(): void }) {
  const { document, edit } = useVisit();
  const units = useUnits();
  const contacts = Object.values(document.rows.instrument).filter(({ value }) => value.kind === 'contact' && !value.archived);
  const [celsius, setCelsius] = useState<number | null>(null);
  const [uncertainty, setUncertainty] = useState<number | null>(0.5);
  const [instrumentId, setInstrument] = useState<string | null>(contacts[0]?.id ?? null);
  const shape = selected?.row.value.shape;
  const place =
    shape && shape.kind !== 'beyond' ? boundsOf(shape) : { x: 0, y: 0, width: frame.facts.width, height: frame.facts.height };
  const held = (at: number, length: number) => Math.max(0, Math.min(length - 1, Math.round(at)));
  const checked = probeValueSchema.safeParse({
    frameId: frame.id,
    name: `probe ${selected ? `at ${selected.row.value.name}` : probesOf(document, frame.id).length + 1}`.slice(0, 80),
    x: held(place.x + (place.width - 1) / 2, frame.facts.width),
    y: held(place.y + (place.height - 1) / 2, frame.facts.height),
    celsius: celsius === null ? null : units.fromField(celsius),
    uncertaintyK: uncertainty,
    instrumentId,
  });
  return (
    <Modal
      open
      title="A probe value"
      okText="Add"
      okButtonProps={{ disabled: !checked.success }}
      onCancel={onClose}
      onOk={() => {
        if (!checked.success) return;
        edit('Probe value added', [{ entity: 'probe', rowId: newId(), value: checked.data }]);
        onClose();
      }}
    >
      <div className={dialog.fields}>
        <p>
          {selected
            ? `Where “${selected.row.value.name}” lies.`
            : 'In the middle of the frame: choose a region first to say where.'}
        </p>
        <label htmlFor="probe-value">It showed</label>
        <InputNumber id="probe-value" autoFocus value={celsius} suffix={`°${units.unit}`} onChange={setCelsius} />
        <label htmlFor="probe-u">Sure to (standard uncertainty)</label>
        <InputNumber id="probe-u" value={uncertainty} min={0} step={0.1} suffix="K" onChange={setUncertainty} />
        <label htmlFor="probe-instrument">With</label>
        <Select
          id="probe-instrument"
          value={instrumentId}
          onChange={setInstrument}
          options={[
            { value: null, label: 'no instrument of the shelf' },
            ...contacts.map(({ id, value }) => ({ value: id, label: value.name })),
          ]}
        />
      </div>
    </Modal>
  );
}
