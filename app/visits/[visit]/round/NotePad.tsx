'use client';

import { Button, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { type StopValue, stopValueSchema } from '@core/model/stopRow';
import { CommitText } from '@ui/form/CommitText';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './NotePad.module.css';

const { note: noteSchema, probes: probesSchema } = stopValueSchema.shape;

/** A typed note, and what a contact thermometer says here, corrected by its own offset. */
export function NotePad({ value, onPut }: { value: StopValue; onPut(label: string, change: Partial<StopValue>): void }) {
  const { document } = useVisit();
  const units = useUnits();
  const instruments = Object.values(document.rows.instrument).filter(
    ({ value: { kind, archived } }) => kind === 'contact' && !archived,
  );
  const [instrumentId, setInstrumentId] = useState<string | null>(instruments[0]?.id ?? null);
  const [typed, setTyped] = useState<number | null>(null);
  const instrument = instrumentId === null ? undefined : document.rows.instrument[instrumentId]?.value;
  const celsius = typed === null ? null : units.fromField(typed) + (instrument?.offset ?? 0);
  const probe = celsius === null ? null : probesSchema.element.safeParse({ celsius, with: instrument?.name ?? 'Probe' });
  return (
    <div className={styles.pad}>
      <CommitText
        label="Note"
        value={value.note}
        schema={noteSchema}
        rows={2}
        placeholder="Sash rattles"
        onCommit={(note) => onPut('Note', { note })}
      />
      <div className={styles.probe}>
        <InputNumber
          aria-label="Probe value"
          value={typed}
          onChange={setTyped}
          suffix={`°${units.unit}`}
          placeholder="Probe value"
          status={probe && !probe.success ? 'error' : ''}
        />
        <Select
          aria-label="Read with"
          value={instrumentId}
          onChange={setInstrumentId}
          options={[
            { value: null, label: 'A probe without offset' },
            ...instruments.map(({ id, value: { name } }) => ({ value: id, label: name })),
          ]}
        />
        <Button
          disabled={!probe?.success}
          onClick={() => {
            if (!probe?.success) return;
            onPut('Probe value', { probes: [...value.probes, probe.data] });
            setTyped(null);
          }}
        >
          Keep value
        </Button>
      </div>
      {instrument && instrument.offset !== 0 && (
        <p className={styles.quiet}>
          {units.signedDifference(instrument.offset)} is added for this instrument; wait {instrument.settleS} s until it settles.
        </p>
      )}
      {probe && !probe.success && <p role="alert">The value {probe.error.issues[0]!.message}.</p>}
    </div>
  );
}
