'use client';

import { InputNumber } from 'antd';
import { useState } from 'react';
import type * as z from 'zod';
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
  return (
    <label className={styles.field}>
      <span>{label}</span>
      <InputNumber
        aria-label={named}
        value={typed}
        step={step ?? 1}
        suffix={celsius ? `°${units.unit}` : suffix}
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
      {!checked.success && (
        <em role="alert" className={styles.problem}>
          {label} {checked.error.issues[0]!.message}.
        </em>
      )}
    </label>
  );
}
