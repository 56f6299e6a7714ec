'use client';

import { huntValueSchema } from '@core/model/huntRow';
import { lossOf } from '@core/work/water/loss';
import { lossWords } from '@core/paper/leak';
import { NumberField } from '@ui/form/NumberField';
import { useHunt } from './useHunt';
import styles from './Water.module.css';

const { litresMin, pricePerM3, pricePerKwh } = huntValueSchema.shape;

/** What the leak takes, by bucket or meter, and what that costs in a day. */
export function LossFields() {
  const { hunt, put } = useHunt();
  const loss = lossOf(hunt);
  return (
    <section aria-label="What it costs">
      <h2>What it takes</h2>
      <div className={styles.fields}>
        <NumberField
          label="Loss by bucket or meter"
          suffix="l/min"
          step={0.1}
          value={hunt.litresMin}
          schema={litresMin}
          onCommit={(value) => put('Loss', { litresMin: value })}
        />
        <NumberField
          label="Price of a m³ of water"
          step={0.1}
          value={hunt.pricePerM3}
          schema={pricePerM3}
          onCommit={(value) => put('Price of water', { pricePerM3: value })}
        />
        <NumberField
          label="Price of a kWh of heat"
          step={0.01}
          value={hunt.pricePerKwh}
          schema={pricePerKwh}
          onCommit={(value) => put('Price of heat', { pricePerKwh: value })}
        />
      </div>
      <p className={styles.forecast} role="status">
        {loss ? `A day takes ${lossWords(loss)}.` : 'Read the meter twice with all taps shut, or hold a bucket under it.'}
      </p>
    </section>
  );
}
