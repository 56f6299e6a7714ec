'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Checkbox, Input, Select } from 'antd';
import { useState } from 'react';
import type { Row } from '@core/model/entities';
import { FUEL_FACTS, FUELS } from '@core/method/heating/combustion';
import { boilerCardValueSchema, type BoilerCardValue } from '@core/model/boilerCardRow';
import { TEST_STATES, TEST_STATE_WORDS } from '@core/method/heating/testStates';
import { photosOf } from '@core/work/visit/frames';
import { CommitText } from '@ui/form/CommitText';
import { useVisit } from '@ui/visit/VisitProvider';
import { BoilerRate, newRate } from './BoilerRates';
import { PdfButton } from '@ui/pdf/PdfButton';
import styles from './Heat.module.css';

const { boiler, by, licence } = boilerCardValueSchema.shape;
const part = boilerCardValueSchema.shape.parts.element.shape;

/** One boiler: who tests it, in which state, at which fire rates, with which parts seen. */
export function BoilerCard({ row }: { row: Row<'boilerCard'> }) {
  const { document, edit } = useVisit();
  const { value } = row;
  const [name, setName] = useState('');
  const put = (label: string, change: Partial<BoilerCardValue>) =>
    edit(label, [{ entity: 'boilerCard', rowId: row.id, value: { ...value, ...change } }]);
  const licensed = value.by !== '' && value.licence !== '' && value.fuel !== null;
  const text = (label: string, field: 'boiler' | 'by' | 'licence', schema: typeof boiler) => (
    <label className={styles.field}>
      <span>{label}</span>
      <CommitText label={label} value={value[field]} schema={schema} onCommit={(next) => put(label, { [field]: next })} />
    </label>
  );
  const photos = photosOf(document);
  const checkedName = part.part.safeParse(name);
  return (
    <section className={styles.card} aria-label={value.boiler}>
      <div className={styles.row}>
        <h2>{value.boiler}</h2>
        <PdfButton what="boiler">Card (PDF)</PdfButton>
        <Button
          type="text"
          icon={<DeleteOutlined />}
          aria-label={`Remove ${value.boiler}`}
          onClick={() => edit(`Removed: ${value.boiler}`, [{ entity: 'boilerCard', rowId: row.id, value: null }])}
        />
      </div>
      <div className={styles.fields}>
        {text('Boiler, maker and type', 'boiler', boiler)}
        <label className={styles.field}>
          <span>Fuel</span>
          <Select
            aria-label="Fuel"
            value={value.fuel}
            placeholder="what burns?"
            options={FUELS.map((one) => ({ value: one, label: FUEL_FACTS[one].words }))}
            onChange={(fuel) => put('Fuel', { fuel })}
          />
        </label>
        {text('Tested by', 'by', by)}
        {text('Licence', 'licence', licence)}
      </div>
      {!licensed && (
        <p className={styles.problem} role="status">
          Nothing is judged without a fuel, a name and a licence.
        </p>
      )}
      <div className={styles.row}>
        {TEST_STATES.map((one) => (
          <Checkbox
            key={one}
            checked={value.states.includes(one)}
            onChange={(event) =>
              put(TEST_STATE_WORDS[one], {
                states: event.target.checked ? [...value.states, one] : value.states.filter((other) => other !== one),
              })
            }
          >
            {TEST_STATE_WORDS[one]}
          </Checkbox>
        ))}
      </div>
      {value.rates.map((rate, k) => (
        <BoilerRate
          key={k}
          fuel={value.fuel}
          rate={rate}
          licensed={licensed}
          onPut={(label, next) => put(label, { rates: value.rates.map((one, n) => (n === k ? next : one)) })}
          onRemove={() => put(`Removed: ${rate.name}`, { rates: value.rates.filter((_, n) => n !== k) })}
        />
      ))}
      <div className={styles.row}>
        <Button icon={<PlusOutlined />} onClick={() => put('Fire rate', { rates: [...value.rates, newRate('Low fire')] })}>
          Another fire rate
        </Button>
      </div>
      <h2>Parts seen</h2>
      {value.parts.map((one, k) => {
        const change = (next: Partial<typeof one>) =>
          put(one.part, { parts: value.parts.map((other, n) => (n === k ? { ...other, ...next } : other)) });
        return (
          <div key={k} className={styles.fields}>
            <b>{one.part}</b>
            <CommitText
              label={`Note on ${one.part}`}
              value={one.note}
              schema={part.note}
              placeholder="electrode gap, gasket, traces of leaks …"
              onCommit={(note) => change({ note })}
            />
            <Select
              aria-label={`Photo of ${one.part}`}
              placeholder="No photo"
              allowClear
              value={one.photoId}
              options={photos.map(({ id, value: photo }) => ({ value: id, label: photo.name }))}
              onChange={(photoId?: string | null) => change({ photoId: photoId ?? null })}
            />
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove ${one.part}`}
              onClick={() => put('Part removed', { parts: value.parts.filter((_, n) => n !== k) })}
            />
          </div>
        );
      })}
      <form
        className={styles.row}
        onSubmit={(event) => {
          event.preventDefault();
          if (!checkedName.success) return;
          put(checkedName.data, { parts: [...value.parts, { part: checkedName.data, note: '', photoId: null }] });
          setName('');
        }}
      >
        <Input
          aria-label="Part that was seen"
          placeholder="Electrode, gasket, condensate trap …"
          style={{ maxWidth: 260 }}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button htmlType="submit" icon={<PlusOutlined />} disabled={!checkedName.success}>
          Add the part
        </Button>
      </form>
    </section>
  );
}
