'use client';

import { Input } from 'antd';
import { useState } from 'react';
import type * as z from 'zod';
import styles from './CommitText.module.css';

/** A text that is kept when the hand leaves the field, and only when it is valid; what is wrong stands under it. */
export function CommitText({
  value,
  label,
  schema,
  onCommit,
  placeholder,
  rows,
  filled,
}: {
  value: string;
  /** Read out for the field; give it an outer label as well where there is room. */
  label: string;
  schema: z.ZodType<string>;
  onCommit(value: string): void;
  placeholder?: string;
  /** More than one line. */
  rows?: number;
  filled?: boolean;
}) {
  const [typed, setTyped] = useState(value);
  const [shown, setShown] = useState(value);
  // Undo, or another tab, changed it.
  if (shown !== value) {
    setShown(value);
    setTyped(value);
  }
  const checked = schema.safeParse(typed);
  const common = {
    'aria-label': label,
    value: typed,
    placeholder,
    status: checked.success ? ('' as const) : ('error' as const),
    variant: filled ? ('filled' as const) : ('outlined' as const),
    onChange: (event: { target: { value: string } }) => setTyped(event.target.value),
    onBlur: () => checked.success && checked.data !== value && onCommit(checked.data),
  };
  return (
    <div className={styles.field}>
      {rows ? (
        <Input.TextArea {...common} autoSize={{ minRows: rows, maxRows: rows + 12 }} />
      ) : (
        <Input {...common} onPressEnter={(event) => event.currentTarget.blur()} />
      )}
      {!checked.success && (
        <em role="alert">
          {label} {checked.error.issues[0]!.message}.
        </em>
      )}
    </div>
  );
}
