'use client';

import { CheckCircleFilled, ExclamationCircleFilled, MinusCircleFilled, QuestionCircleFilled } from '@ant-design/icons';
import { Button, InputNumber, Popover, Select } from 'antd';
import { Fragment, useState, type ReactNode } from 'react';
import { conditionsOf } from '@core/work/visit/theVisit';
import { judgeConditions, type SideJudged, type Verdict } from '@core/work/visit/judgeConditions';
import { gradeOf } from '@core/method/weather/rated';
import { compassWord } from '@core/method/weather/plan';
import { type ConditionsValue, conditionsValueSchema } from '@core/model/conditionsRow';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './ConditionsChip.module.css';

const SIGNS: Record<Verdict['grade'], ReactNode> = {
  good: <CheckCircleFilled />,
  care: <ExclamationCircleFilled />,
  poor: <MinusCircleFilled />,
  unknown: <QuestionCircleFilled />,
};

/** Conditions of the visit, always in view because every reading depends on them; opened, they can be changed. */
export function ConditionsChip() {
  const { document } = useVisit();
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const row = conditionsOf(document);
  const c = row?.value;
  const verdict = judgeConditions(document);
  const known = (value: number | null | undefined, show: (v: number) => string) =>
    value === null || value === undefined ? '—' : show(value);
  const both = c && c.insideC !== null && c.outsideC !== null ? c.insideC - c.outsideC : null;
  const since = [c?.sunHours, c?.rainHours].filter((hours): hours is number => hours !== null && hours !== undefined);
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      title="Conditions of this visit"
      content={<ConditionsForm key={JSON.stringify(row?.value)} verdict={verdict} onDone={() => setOpen(false)} />}
    >
      <button type="button" className={styles.chip} aria-label={`Conditions: ${verdict.words}. Change`}>
        <Item name="Inside" value={known(c?.insideC, units.temperature)} />
        <Item name="Outside" value={known(c?.outsideC, units.temperature)} />
        <Item name="Difference" value={both === null ? '—' : units.difference(Math.abs(both))} strong />
        <Item name="Humidity" value={known(c?.humidityPct, (v) => `${v.toFixed(0)} %`)} wide />
        <Item name="Wind" value={known(c?.windMs, (v) => `${v} m/s`)} wide />
        <Item name="Sun, rain" value={since.length ? `none for ${Math.min(...since)} h` : '—'} wide />
        <span className={styles.verdict} data-grade={verdict.grade}>
          {SIGNS[verdict.grade]} {verdict.words}
        </span>
      </button>
    </Popover>
  );
}

function Item({ name, value, strong, wide }: { name: string; value: string; strong?: boolean; wide?: boolean }) {
  return (
    <span className={wide ? styles.wide : styles.item}>
      <i>{name}</i>
      {strong ? <b>{value}</b> : value}
    </span>
  );
}

interface Field {
  name: Exclude<keyof ConditionsValue, 'visitId'>;
  label: string;
  kind: 'temperature' | 'plain';
  unit: string;
}

const FIELDS: Field[] = [
  { name: 'insideC', label: 'Air inside', kind: 'temperature', unit: '' },
  { name: 'outsideC', label: 'Air outside', kind: 'temperature', unit: '' },
  { name: 'humidityPct', label: 'Humidity inside', kind: 'plain', unit: '%' },
  { name: 'windMs', label: 'Wind', kind: 'plain', unit: 'm/s' },
  { name: 'cloudPct', label: 'Cloud', kind: 'plain', unit: '%' },
  { name: 'sunHours', label: 'Last sun on a wall', kind: 'plain', unit: 'h ago' },
  { name: 'rainHours', label: 'Last rain', kind: 'plain', unit: 'h ago' },
  { name: 'heatingHours', label: 'Heating as now for', kind: 'plain', unit: 'h' },
  { name: 'airHours', label: 'Air outside as now for', kind: 'plain', unit: 'h' },
];

const WINDS = [0, 45, 90, 135, 180, 225, 270, 315].map((azimuth) => ({ value: azimuth, label: compassWord(azimuth) }));

function ConditionsForm({ verdict, onDone }: { verdict: Verdict; onDone(): void }) {
  const { document, edit } = useVisit();
  const units = useUnits();
  const row = conditionsOf(document)!;
  const [value, setValue] = useState(row.value);
  const checked = conditionsValueSchema.safeParse(value);
  const problem = (name: string) =>
    checked.success ? undefined : checked.error.issues.find((issue) => issue.path[0] === name)?.message;
  const save = () => {
    if (!checked.success) return;
    edit('Conditions', [{ entity: 'conditions', rowId: row.id, value: checked.data }]);
    onDone();
  };
  const windFrom = (
    <label>
      <span>Wind from</span>
      <Select
        aria-label="Wind from"
        allowClear
        placeholder="not known"
        value={value.windFromDeg === null ? null : (Math.round(value.windFromDeg / 45) * 45) % 360}
        options={WINDS}
        onChange={(next: number | null | undefined) => setValue({ ...value, windFromDeg: next ?? null })}
      />
    </label>
  );
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      {FIELDS.map(({ name, label, kind, unit }) => {
        const stored = value[name];
        const typed = stored === null ? null : kind === 'temperature' ? units.toField(stored) : stored;
        return (
          <Fragment key={name}>
            {name === 'cloudPct' && windFrom}
            <label>
              <span>{label}</span>
              <InputNumber
                value={typed}
                status={problem(name) ? 'error' : ''}
                suffix={unit || `°${units.unit}`}
                onChange={(next) =>
                  setValue({ ...value, [name]: next === null ? null : kind === 'temperature' ? units.fromField(next) : next })
                }
              />
              {problem(name) && <em role="alert">{problem(name)}</em>}
            </label>
          </Fragment>
        );
      })}
      <Button type="primary" htmlType="submit" disabled={!checked.success}>
        Keep conditions
      </Button>
      <Sides verdict={verdict} />
    </form>
  );
}

/** The judgement side by side, by the rules of the Hours board. */
function Sides({ verdict: { inside, facades } }: { verdict: Verdict }) {
  if (!inside) return null;
  return (
    <ul className={styles.sides} aria-label="Judged by the rules of Hours">
      <li>
        <small>Judged by the rules of Hours</small>
      </li>
      {[inside, ...facades].map((one) => (
        <li key={one.side}>
          <b>{gradeOf(one.score)}</b> {one.side} <small>{why(one)}</small>
        </li>
      ))}
    </ul>
  );
}

function why({ reasons }: SideJudged): string {
  const against = reasons.filter(({ factor }) => factor < 1);
  return against.length === 0 ? 'nothing against it' : against.map(({ words }) => words).join(' · ');
}
