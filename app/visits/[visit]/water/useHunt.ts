'use client';

import { huntOf } from '@core/work/water/huntOf';
import type { HuntValue } from '@core/model/huntRow';
import { useVisit } from '@ui/visit/VisitProvider';

/** The hunt of the visit, and how it is changed. */
export function useHunt() {
  const { document, edit } = useVisit();
  const row = huntOf(document);
  const put = (label: string, change: Partial<HuntValue>) =>
    edit(label, [{ entity: 'hunt', rowId: row.id, value: { ...row.value, ...change } }]);
  return { document, hunt: row.value, put };
}
