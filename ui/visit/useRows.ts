'use client';

import { App } from 'antd';
import { useCallback, useEffect, useState } from 'react';
import type { Entity, Row, Values } from '@core/visit/rows';
import { ALL_SAVED, Saver, type Conflict, type Saving } from './saver';

/** Rows of one kind outside of a visit, as they are edited: at once here, soon after in the database. */
export function useRows<E extends Entity>(entity: E, initial: Row<E>[]) {
  const { message } = App.useApp();
  const [rows, setRows] = useState(initial);
  const [saving, setSaving] = useState<Saving>(ALL_SAVED);
  const [conflict, setConflict] = useState<Conflict<E> | null>(null);
  const [saver] = useState(() => new Saver<E>(new Map(initial.map(({ id, version }) => [id, version]))));
  useEffect(() => {
    saver.listen({
      onSaving: setSaving,
      onVersion: () => undefined,
      onConflict: setConflict,
      onRefused: (error) => void message.error(`${error.message} ${error.hint}`, 8),
    });
  }, [saver, message]);
  const show = useCallback(
    (id: string, value: Values[E]) =>
      setRows((all) =>
        all.some((row) => row.id === id)
          ? all.map((row) => (row.id === id ? { ...row, value } : row))
          : [...all, { id, version: 0, value }],
      ),
    [],
  );
  const put = useCallback(
    (id: string, value: Values[E]) => {
      show(id, value);
      saver.save(entity, id, value);
    },
    [entity, saver, show],
  );
  const settle = (settled: Conflict<E>, keep: 'yours' | 'theirs') => {
    const { rowId, stored, yours } = settled;
    setConflict(null);
    saver.know(rowId, stored?.version ?? 0);
    if (keep === 'yours') saver.save(entity, rowId, yours);
    else if (stored) show(rowId, stored.value);
  };
  return { rows, put, saving, conflict, settle };
}
