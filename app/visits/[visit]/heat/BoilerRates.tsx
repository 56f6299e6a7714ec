'use client';

import { CheckCircleFilled, DeleteOutlined, ExclamationCircleFilled } from '@ant-design/icons';
import { Button, Checkbox } from 'antd';
import { cardLines, rateVerdict, type Verdict } from '@core/work/heating/cardVerdict';
import type { Fuel } from '@core/method/heating/combustion';
import { fireRateSchema, type FireRate } from '@core/model/boilerCardRow';
import { CommitText } from '@ui/form/CommitText';
import { NumberField } from '@ui/form/NumberField';
import styles from './Heat.module.css';

/** A fire rate that nothing is known of. */
export function newRate(name: string): FireRate {
  return {
    name,
    page: '',
    o2LowPct: null,
    o2HighPct: null,
    co2LowPct: null,
    co2HighPct: null,
    coMostPpm: null,
    coAirFree: true,
    flueMostC: null,
    efficiencyLeastPct: null,
    o2Pct: null,
    co2Pct: null,
    coPpm: null,
    flueC: null,
    airC: null,
  };
}

const VERDICTS: Record<Verdict, { tone: string; words: string }> = {
  pass: { tone: 'good', words: 'within the limits' },
  attention: { tone: 'poor', words: 'attention' },
  'not-judged': { tone: 'none', words: 'not judged' },
};

type NumberName = Exclude<keyof FireRate, 'name' | 'page' | 'coAirFree'>;

const LIMITS: [NumberName, string, string][] = [
  ['o2LowPct', 'O₂ from', '%'],
  ['o2HighPct', 'O₂ to', '%'],
  ['co2LowPct', 'CO₂ from', '%'],
  ['co2HighPct', 'CO₂ to', '%'],
  ['coMostPpm', 'CO at most', 'ppm'],
  ['flueMostC', 'Flue gas at most', '°C'],
  ['efficiencyLeastPct', 'Efficiency at least', '%'],
];
const READINGS: [NumberName, string, string][] = [
  ['o2Pct', 'O₂', '%'],
  ['co2Pct', 'CO₂', '%'],
  ['coPpm', 'CO', 'ppm'],
  ['flueC', 'Flue gas', '°C'],
  ['airC', 'Combustion air', '°C'],
];

/** One fire rate: limits as the manual states them, readings, and what follows. */
export function BoilerRate({
  fuel,
  rate,
  licensed,
  onPut,
  onRemove,
}: {
  fuel: Fuel | null;
  rate: FireRate;
  licensed: boolean;
  onPut(label: string, next: FireRate): void;
  onRemove(): void;
}) {
  const verdict = rateVerdict(fuel, rate, licensed);
  const field = ([name, label, unit]: [NumberName, string, string], what: string) => (
    <NumberField
      key={name}
      label={label}
      named={`${what}: ${label}, ${rate.name}`}
      value={rate[name]}
      schema={fireRateSchema.shape[name]}
      suffix={unit === '°C' ? '' : unit}
      celsius={unit === '°C'}
      step={unit === 'ppm' || unit === '°C' ? 1 : 0.1}
      onCommit={(next) => onPut(`${rate.name}: ${label}`, { ...rate, [name]: next })}
    />
  );
  return (
    <section className={styles.card} aria-label={rate.name}>
      <div className={styles.row}>
        <div className={styles.name}>
          <CommitText
            label="Fire rate"
            value={rate.name}
            schema={fireRateSchema.shape.name}
            onCommit={(name) => onPut('Name', { ...rate, name })}
          />
        </div>
        <div className={styles.name}>
          <CommitText
            label={`Page of the manual, ${rate.name}`}
            value={rate.page}
            schema={fireRateSchema.shape.page}
            placeholder="manual, page"
            onCommit={(page) => onPut('Page', { ...rate, page })}
          />
        </div>
        <span className={styles.chip} data-tone={VERDICTS[verdict].tone} role="status">
          {verdict === 'pass' && <CheckCircleFilled />} {verdict === 'attention' && <ExclamationCircleFilled />}{' '}
          {VERDICTS[verdict].words}
        </span>
        <Button type="text" icon={<DeleteOutlined />} aria-label={`Remove ${rate.name}`} onClick={onRemove} />
      </div>
      <b>Limits of the maker{rate.page === '' ? '' : `, ${rate.page}`}</b>
      <div className={styles.fields}>{LIMITS.map((one) => field(one, 'Limit'))}</div>
      <Checkbox checked={rate.coAirFree} onChange={(event) => onPut('CO limit', { ...rate, coAirFree: event.target.checked })}>
        The manual states CO air-free
      </Checkbox>
      <b>Readings</b>
      <div className={styles.fields}>{READINGS.map((one) => field(one, 'Reading'))}</div>
      <table className={styles.verdicts} aria-label={`Verdicts, ${rate.name}`}>
        <tbody>
          {cardLines(fuel, rate).map((line) => (
            <tr key={line.name}>
              <th scope="row">{line.name}</th>
              <td>
                <b>{line.value}</b>
              </td>
              <td className={styles.quiet}>{line.limit}</td>
              <td>
                {licensed && line.limit !== '' && (
                  <span className={styles.chip} data-tone={VERDICTS[line.verdict].tone}>
                    {VERDICTS[line.verdict].words}
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
