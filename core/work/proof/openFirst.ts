import type { Row } from '../../model/entities';

const ORDER = { open: 0, closed: 1, accepted: 2 };

/** Findings in the order in which they are looked at again: those that were left open first, then as they were recorded. */
export function openFirst(findings: readonly Row<'finding'>[]): Row<'finding'>[] {
  return [...findings].sort((a, b) => ORDER[a.value.state] - ORDER[b.value.state] || (a.id < b.id ? -1 : 1));
}
