import type { Row, Values } from '@core/visit/rows';

export type LoanEntity = 'loan' | 'loanHome';

export interface LoanRows {
  loan: Row<'loan'>;
  homes: Record<string, Row<'loanHome'>>;
}

type Action =
  | { kind: 'loan'; value: Values['loan'] }
  | { kind: 'home'; id: string; value: Values['loanHome'] | null }
  | { kind: 'stored'; entity: LoanEntity; id: string; row: Row<LoanEntity> | null };

/** A change of a loan as the page holds it. */
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
