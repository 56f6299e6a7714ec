'use client';

import { flushOf } from '@core/work/heating/heatingOf';
import { CLEAR_SHARE, isClear } from '@core/method/heating/flushSteps';
import { flushValueSchema, type FlushValue } from '@core/model/flushRow';
import { percent } from '@core/ground/format';
import { CommitText } from '@ui/form/CommitText';
import { NumberField } from '@ui/form/NumberField';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

const { mainsPpm, water, cleaner, inhibitor, by, note } = flushValueSchema.shape;

/** Water that leaves the system against the mains; what went in; who answers for it. */
export function FlushWater() {
  const { document, edit, now, clock } = useHeat();
  const row = flushOf(document);
  const { value } = row;
  const put = (label: string, change: Partial<FlushValue>) =>
    edit(label, [{ entity: 'flush', rowId: row.id, value: { ...value, ...change } }]);
  const last = value.water.at(-1);
  const clear = isClear(last?.ppm ?? null, value.mainsPpm);
  const text = (label: string, name: 'cleaner' | 'inhibitor' | 'by' | 'note', schema: typeof cleaner, placeholder: string) => (
    <label className={styles.field}>
      <span>{label}</span>
      <CommitText
        label={label}
        value={value[name]}
        schema={schema}
        placeholder={placeholder}
        onCommit={(next) => put(label, { [name]: next })}
      />
    </label>
  );
  return (
    <section className={styles.card}>
      <h2>Water and chemicals</h2>
      <div className={styles.fields}>
        <NumberField
          label="Mains, dissolved solids"
          value={value.mainsPpm}
          schema={mainsPpm}
          suffix="ppm"
          onCommit={(next) => put('Mains', { mainsPpm: next })}
        />
        <NumberField
          label="Leaving the system now"
          value={null}
          schema={water.element.shape.ppm.nullable()}
          suffix="ppm"
          clears
          onCommit={(next) => next !== null && put('Water read', { water: [...value.water, { at: now(), ppm: next }] })}
        />
      </div>
      {value.water.length > 0 && (
        <p role="status">
          {value.water.map(({ at, ppm: one }) => `${clock(at)} ${one} ppm`).join(' → ')}{' '}
          {clear !== null && (
            <span className={styles.chip} data-tone={clear ? 'good' : 'care'}>
              {clear ? 'dissolved solids as in the mains' : `more than ${percent(CLEAR_SHARE)} above the mains: go on`}
            </span>
          )}
        </p>
      )}
      <div className={styles.fields}>
        {text('Cleaner and dose', 'cleaner', cleaner, 'product, litres')}
        {text('Inhibitor and dose', 'inhibitor', inhibitor, 'product, litres')}
        {text('Done by', 'by', by, 'name, firm')}
      </div>
      {text('Note', 'note', note, '')}
    </section>
  );
}
