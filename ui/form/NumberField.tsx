'use client';

import { InputNumber } from 'antd';
import { useState } from 'react';
import type * as z from 'zod';
import { AssumedTap } from './AssumedTap';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './NumberField.module.css';

interface Props {
  label: string;
  /** Read out for the field where the label alone is not enough. */
  named?: string;
  value: number | null;
  schema: z.ZodType<number | null>;
  onCommit(value: number | null): void;
  suffix?: string;
  /** Typed and shown in the chosen unit, kept in °C. */
  celsius?: boolean;
  step?: number;
  /** What is taken while nobody said anything: shown as assumed, said by one tap. */
  usual?: number;
  /** Empty again after it was kept: for what is noted one after the other. */
  clears?: boolean;
}

/** A number that is kept when the hand leaves the field, and only when it is valid; what is wrong stands under it. */
export function NumberField({
  label,
  named = label,
  value,
  schema,
  onCommit,
  suffix,
  celsius = false,
  step,
  usual,
  clears = false,
}: Props) {
  const units = useUnits();
  const out = (kept: number | null) => (kept === null ? null : celsius ? units.toField(kept) : kept);
  const back = (typed: number | null) => (typed === null ? null : celsius ? units.fromField(typed) : typed);
  const [typed, setTyped] = useState(() => out(value));
  const [shown, setShown] = useState(() => [value, units.unit] as const);
  if (shown[0] !== value || shown[1] !== units.unit) {
    setShown([value, units.unit]);
    setTyped(out(value));
  }
  const checked = schema.safeParse(back(typed));
  const unit = celsius ? `°${units.unit}` : suffix;
  const usualShown = usual === undefined ? undefined : String(Math.round(100 * out(usual)!) / 100);
  return (
    <label className={styles.field}>
      <span>{label}</span>
      <InputNumber
        aria-label={named}
        value={typed}
        step={step ?? 1}
        suffix={unit}
        placeholder={usualShown}
        status={checked.success ? '' : 'error'}
        inputMode="decimal"
        onChange={setTyped}
        onBlur={() => {
          if (!checked.success || checked.data === value) return;
          onCommit(checked.data);
          if (clears) setTyped(null);
        }}
        onPressEnter={(event) => {
          event.preventDefault();
          (event.target as HTMLInputElement).blur();
        }}
      />
      {value === null && typed === null && usual !== undefined && (
        <AssumedTap field={named} words={[usualShown, unit].filter(Boolean).join(' ')} onSay={() => onCommit(usual)} />
      )}
      {!checked.success && (
        <em role="alert" className={styles.problem}>
          {label} {checked.error.issues[0]!.message}.
        </em>
      )}
    </label>
  );
}
