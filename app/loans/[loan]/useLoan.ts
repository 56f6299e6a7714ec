'use client';

import { App } from 'antd';
import { useCallback, useEffect, useReducer, useState } from 'react';
import type { Row, Values } from '@core/visit/rows';
import { Saver, type Conflict, type SaveState } from '@ui/visit/saver';

type LoanEntity = 'loan' | 'loanHome';

export interface LoanRows {
  loan: Row<'loan'>;
  homes: Record<string, Row<'loanHome'>>;
}

type Action =
  | { kind: 'loan'; value: Values['loan'] }
  | { kind: 'home'; id: string; value: Values['loanHome'] | null }
  | { kind: 'stored'; entity: LoanEntity; id: string; row: Row<LoanEntity> | null };

export function loanReducer(rows: LoanRows, action: Action): LoanRows {
  switch (action.kind) {
    case 'loan':
      return { ...rows, loan: { ...rows.loan, value: action.value } };
    case 'home': {
      const { [action.id]: before, ...others } = rows.homes;
      if (!action.value) return { ...rows, homes: others };
      return {
        ...rows,
        homes: { ...others, [action.id]: { id: action.id, version: before?.version ?? 0, value: action.value } },
      };
    }
    case 'stored': {
      if (action.entity === 'loan') return action.row ? { ...rows, loan: action.row as Row<'loan'> } : rows;
      const { [action.id]: _, ...others } = rows.homes;
      return { ...rows, homes: action.row ? { ...others, [action.id]: action.row as Row<'loanHome'> } : others };
    }
  }
}

/** A loan and its homes as they are edited: at once here, soon after in the database. */
export function useLoan(initial: LoanRows) {
  const { message } = App.useApp();
  const [rows, dispatch] = useReducer(loanReducer, initial);
  const [saveState, setSaveState] = useState<SaveState>('saved');
  const [conflict, setConflict] = useState<Conflict<LoanEntity> | null>(null);
  const [saver] = useState(
    () => new Saver<LoanEntity>(new Map([initial.loan, ...Object.values(initial.homes)].map(({ id, version }) => [id, version]))),
  );
  useEffect(() => {
    saver.listen({
      onState: setSaveState,
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
  return { rows, saveState, conflict, settle, putLoan, putHome };
}
