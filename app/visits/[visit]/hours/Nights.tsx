'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, InputNumber, Segmented } from 'antd';
import { useState } from 'react';
import { localDay } from '@core/ground/localTime';
import { isoDay } from '@core/method/weather/board';
import { nightSchema, type Night } from '@core/method/weather/typedNights';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './Hours.module.css';

const SKIES = [
  { value: 0, label: 'Clear' },
  { value: 50, label: 'Half' },
  { value: 100, label: 'Covered' },
];

/** Without a weather file: three numbers a night, read off any forecast, are enough to compare nights. */
export function Nights({
  nights,
  firstDay,
  onPut,
}: {
  nights: readonly Night[];
  firstDay: number;
  onPut(nights: Night[]): void;
}) {
  const units = useUnits();
  const sorted = nights.toSorted((a, b) => a.day.localeCompare(b.day));
  const next = [...Array(31).keys()].map((k) => isoDay(firstDay + k)).find((one) => !nights.some(({ day }) => day === one));
  const [day, setDay] = useState<string | null>(null);
  const [lowC, setLow] = useState<number | null>(null);
  const [windMs, setWind] = useState<number | null>(null);
  const [cloudPct, setCloud] = useState<number | null>(null);
  const checked = nightSchema.safeParse({ day: day ?? next, lowC, windMs, cloudPct });
  const words = (iso: string) => localDay(`${iso}T12:00:00Z`, 'UTC');
  const add = () => {
    if (!checked.success) return;
    onPut([...nights.filter((one) => one.day !== checked.data.day), checked.data]);
    setDay(null);
    setLow(null);
    setWind(null);
    setCloud(null);
  };
  return (
    <section className={styles.nights} aria-label="Nights">
      <p className={styles.quiet}>
        Bring a weather file, or type three numbers a night from any forecast: its low, its wind, its sky.
      </p>
      <ul>
        {sorted.map((night) => (
          <li key={night.day}>
            <b>{words(night.day)}</b> low {units.temperature(night.lowC)}, wind {night.windMs} m/s,{' '}
            {(SKIES.find(({ value }) => value === night.cloudPct)?.label ?? `${night.cloudPct} % cloud`).toLowerCase()}
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove the night of ${words(night.day)}`}
              onClick={() => onPut(nights.filter((one) => one.day !== night.day))}
            />
          </li>
        ))}
      </ul>
      <form
        className={styles.bar}
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <label className={styles.from}>
          Night of
          <input
            type="date"
            aria-label="Night of"
            value={day ?? next ?? ''}
            onChange={(event) => setDay(event.target.value || null)}
          />
        </label>
        <InputNumber
          aria-label="Low of the night"
          placeholder="Low"
          suffix={`°${units.unit}`}
          value={lowC === null ? null : units.toField(lowC)}
          onChange={(typed) => setLow(typed === null ? null : units.fromField(typed))}
        />
        <InputNumber aria-label="Wind of the night" placeholder="Wind" suffix="m/s" min={0} value={windMs} onChange={setWind} />
        <Segmented<number>
          aria-label="Sky of the night"
          options={SKIES}
          {...(cloudPct === null ? { value: -1 } : { value: cloudPct })}
          onChange={setCloud}
        />
        <Button htmlType="submit" icon={<PlusOutlined />} disabled={!checked.success}>
          Add the night
        </Button>
      </form>
    </section>
  );
}
