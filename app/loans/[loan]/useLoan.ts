'use client';

import { App } from 'antd';
import { useCallback, useEffect, useReducer, useState } from 'react';
import type { Values } from '@core/visit/rows';
import { loanReducer, type LoanEntity, type LoanRows } from './loanReducer';
import { ALL_SAVED, Saver, type Conflict, type Saving } from '@ui/visit/saver';

/** A loan and its homes as they are edited: at once here, soon after in the database. */
export function useLoan(initial: LoanRows) {
  const { message } = App.useApp();
  const [rows, dispatch] = useReducer(loanReducer, initial);
  const [saving, setSaving] = useState<Saving>(ALL_SAVED);
  const [conflict, setConflict] = useState<Conflict<LoanEntity> | null>(null);
  const [saver] = useState(
    () => new Saver<LoanEntity>(new Map([initial.loan, ...Object.values(initial.homes)].map(({ id, version }) => [id, version]))),
  );
  useEffect(() => {
    saver.listen({
      onSaving: setSaving,
      onVersion: () => undefined,
      onConflict: setConflict,
      onRefused: (error) => void message.error(`${error.message} ${error.hint}`, 8),
    });
  }, [saver, message]);
  const putLoan = useCallback(
    (value: Values['loan']) => {
      dispatch({ kind: 'loan', value });
      saver.save('loan', initial.loan.id, value);
    },
    [saver, initial.loan.id],
  );
  const putHome = useCallback(
    (id: string, value: Values['loanHome'] | null) => {
      dispatch({ kind: 'home', id, value });
      saver.save('loanHome', id, value);
    },
    [saver],
  );
  const settle = (settled: Conflict<LoanEntity>, keep: 'yours' | 'theirs') => {
    const { entity, rowId, stored, yours } = settled;
    setConflict(null);
    saver.know(rowId, stored?.version ?? 0);
    if (keep === 'theirs') dispatch({ kind: 'stored', entity, id: rowId, row: stored });
    else saver.save(entity, rowId, yours);
  };
  return { rows, saving, conflict, settle, putLoan, putHome };
}
