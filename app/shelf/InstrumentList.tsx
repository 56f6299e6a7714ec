'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, InputNumber, Select } from 'antd';
import { v7 as newId } from 'uuid';
import { INSTRUMENT_KINDS, type InstrumentKind, type InstrumentValue, instrumentValueSchema } from '@core/model/instrumentRow';
import type { Row } from '@core/model/entities';
import { CommitText } from '@ui/form/CommitText';
import styles from './Shelf.module.css';

const KIND_WORDS: Record<InstrumentKind, string> = {
  contact: 'Contact thermometer',
  air: 'Air thermometer',
  hygrometer: 'Hygrometer',
  moisture: 'Moisture meter',
};

const unitOf = (kind: InstrumentKind) => (kind === 'contact' || kind === 'air' ? 'K' : '%');

/** Thermometers, hygrometers and meters with their own offset, uncertainty and patience. */
export function InstrumentList({ rows, onPut }: { rows: Row<'instrument'>[]; onPut(id: string, value: InstrumentValue): void }) {
  const shown = rows.filter(({ value }) => !value.archived);
  const put = (row: Row<'instrument'>, change: Partial<InstrumentValue>) => {
    const checked = instrumentValueSchema.safeParse({ ...row.value, ...change });
    if (checked.success) onPut(row.id, checked.data);
  };
  return (
    <section className={styles.card} aria-label="Instruments">
      <h2>Instruments</h2>
      {shown.map((row) => {
        const { name, kind, offset, uncertainty, settleS } = row.value;
        const field = (label: string, of: 'offset' | 'uncertainty' | 'settleS', stored: number, unit: string, min: number) => (
          <label>
            <span>{label}</span>
            <InputNumber
              aria-label={`${label}, ${name}`}
              value={stored}
              min={min}
              step={0.1}
              suffix={unit}
              onChange={(next) => next !== null && put(row, { [of]: next })}
            />
          </label>
        );
        return (
          <div key={row.id} className={styles.fields}>
            <label>
              <span>Name</span>
              <CommitText
                label={`Name of ${name}`}
                value={name}
                schema={instrumentValueSchema.shape.name}
                onCommit={(next) => put(row, { name: next })}
              />
            </label>
            <label>
              <span>Kind</span>
              <Select
                aria-label={`Kind of ${name}`}
                value={kind}
                options={INSTRUMENT_KINDS.map((one) => ({ value: one, label: KIND_WORDS[one] }))}
                onChange={(next) => put(row, { kind: next })}
              />
            </label>
            {field('Added to what it shows', 'offset', offset, unitOf(kind), -50)}
            {field('Uncertainty, standard', 'uncertainty', uncertainty, unitOf(kind), 0)}
            {field('Settles in', 'settleS', settleS, 's', 0)}
            <label>
              <span>&nbsp;</span>
              <Button danger onClick={() => put(row, { archived: true })} aria-label={`Take off ${name}`}>
                Take off
              </Button>
            </label>
          </div>
        );
      })}
      <Button
        icon={<PlusOutlined />}
        onClick={() =>
          onPut(newId(), { name: 'New instrument', kind: 'contact', offset: 0, uncertainty: 0.5, settleS: 30, archived: false })
        }
      >
        Add an instrument
      </Button>
    </section>
  );
}
