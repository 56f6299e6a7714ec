'use client';

import { InputNumber, Segmented } from 'antd';
import { useState } from 'react';
import type { Values } from '@core/model/entities';
import { loanValueSchema } from '@core/model/loanRow';
import type { Strictness } from '@core/method/weather/plan';
import { clockMoment, clockText } from '@ui/form/clockField';
import { problemsByField } from '@ui/form/problems';
import { useUnits } from '@ui/units/UnitProvider';
import type { FoundWeather } from '@ui/weather/useWeather';
import { WeatherSource } from '@ui/weather/WeatherSource';
import styles from './LoanFields.module.css';

/** Days, warmth and weather of a loan. What is impossible is said at the field and not kept. */
export function LoanFields({
  value,
  weather,
  onChange,
}: {
  value: Values['loan'];
  weather: FoundWeather | null;
  onChange(value: Values['loan']): void;
}) {
  const units = useUnits();
  const [problems, setProblems] = useState<Record<string, string>>({});
  const put = (change: Partial<Values['loan']>) => {
    const checked = loanValueSchema.safeParse({ ...value, ...change });
    setProblems(problemsByField(checked.error));
    if (checked.success) onChange(checked.data);
  };
  return (
    <section className={styles.fields} aria-label="The loan">
      <Moment label="From" time={value.from} zone={value.timeZone} problem={problems.from} onChange={(from) => put({ from })} />
      <Moment label="To" time={value.to} zone={value.timeZone} problem={problems.to} onChange={(to) => put({ to })} />
      <label>
        <span>Inside, about</span>
        <InputNumber
          value={units.toField(value.insideC)}
          suffix={`°${units.unit}`}
          status={problems.insideC ? 'error' : ''}
          onChange={(typed) => typed !== null && put({ insideC: units.fromField(typed) })}
        />
      </label>
      {problems.insideC && <em role="alert">Inside {problems.insideC}</em>}
      <Segmented<Strictness>
        aria-label="How strictly hours are judged"
        value={value.strictness}
        options={[
          { value: 'usual', label: 'Usual' },
          { value: 'strict', label: 'Strict: dark, 15 K' },
        ]}
        onChange={(strictness) => put({ strictness })}
      />
      <WeatherSource
        weather={weather}
        timeZone={value.timeZone}
        onBring={({ weatherId }) => put({ weatherId })}
        onForget={() => put({ weatherId: null })}
      />
    </section>
  );
}

function Moment({
  label,
  time,
  zone,
  problem,
  onChange,
}: {
  label: string;
  time: number;
  zone: string;
  problem: string | undefined;
  onChange(time: number): void;
}) {
  const [typed, setTyped] = useState(() => clockText(time, zone));
  const [shown, setShown] = useState(time);
  if (shown !== time) {
    setShown(time);
    setTyped(clockText(time, zone));
  }
  return (
    <>
      <label>
        <span>{label}</span>
        <input
          type="datetime-local"
          value={typed}
          aria-invalid={problem !== undefined}
          onChange={(event) => {
            setTyped(event.target.value);
            const moment = clockMoment(event.target.value, zone);
            if (moment !== null) onChange(moment);
          }}
        />
      </label>
      {problem && (
        <em role="alert">
          {label} {problem}
        </em>
      )}
    </>
  );
}
