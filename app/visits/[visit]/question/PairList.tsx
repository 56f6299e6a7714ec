'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { AutoComplete, Button, Input } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type * as z from 'zod';
import { CommitText } from '@ui/form/CommitText';
import styles from './PairList.module.css';

type Pair = [string, string];

/** One line, by a name that stays whatever is written in it. */
export interface Line {
  id: string;
  texts: Pair;
}

interface Field {
  name: string;
  placeholder: string;
  schema: z.ZodType<string>;
}

/** Short lines of two fields; a line is kept as soon as both say something valid. */
export function PairList({
  lines,
  fields,
  suggestions,
  addWords,
  wideFirst,
  onChange,
}: {
  lines: Line[];
  fields: [Field, Field];
  /** Offered for the first field of a new line. */
  suggestions?: string[];
  addWords: string;
  wideFirst?: boolean;
  onChange(lines: Line[]): void;
}) {
  const [draft, setDraft] = useState<Pair>(['', '']);
  const checked = [fields[0].schema.safeParse(draft[0]), fields[1].schema.safeParse(draft[1])] as const;
  const ready = checked[0].success && checked[1].success;
  const add = () => {
    if (!checked[0].success || !checked[1].success) return;
    onChange([...lines, { id: newId(), texts: [checked[0].data, checked[1].data] }]);
    setDraft(['', '']);
  };
  return (
    <ul className={styles.list} data-wide-first={wideFirst}>
      {lines.map((line, i) => (
        <li key={line.id}>
          {fields.map(({ name, schema }, k) => (
            <CommitText
              key={name}
              label={`${name}, line ${i + 1}`}
              value={line.texts[k]!}
              schema={schema}
              onCommit={(value) =>
                onChange(
                  lines.map((one) =>
                    one.id === line.id ? { id: one.id, texts: k === 0 ? [value, one.texts[1]] : [one.texts[0], value] } : one,
                  ),
                )
              }
            />
          ))}
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove line ${i + 1}: ${line.texts[0]}`}
            onClick={() => onChange(lines.filter(({ id }) => id !== line.id))}
          />
        </li>
      ))}
      <li>
        {suggestions ? (
          <AutoComplete
            aria-label={fields[0].name}
            value={draft[0]}
            placeholder={fields[0].placeholder}
            options={suggestions.map((value) => ({ value }))}
            onChange={(value: string) => setDraft([value ?? '', draft[1]])}
          />
        ) : (
          <Input
            aria-label={fields[0].name}
            value={draft[0]}
            placeholder={fields[0].placeholder}
            onChange={(event) => setDraft([event.target.value, draft[1]])}
            onPressEnter={add}
          />
        )}
        <Input
          aria-label={fields[1].name}
          value={draft[1]}
          placeholder={fields[1].placeholder}
          onChange={(event) => setDraft([draft[0], event.target.value])}
          onPressEnter={add}
        />
        <Button icon={<PlusOutlined />} aria-label={addWords} title={addWords} disabled={!ready} onClick={add} />
      </li>
    </ul>
  );
}
