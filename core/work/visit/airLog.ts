import { requireRange } from '../../ground/errors';
import type { LogEntry } from '../../model/logRow';

/** Air at a moment, as far as it is known. */
export interface Air {
  insideC: number | null;
  outsideC: number | null;
  humidityPct: number | null;
}

/** Between two readings that lie farther apart than this, nobody knows what the air did. */
export const LONGEST_GAP_MS = 2 * 3_600_000;
/** A single reading holds this long before and after. */
const HOLDS_MS = 30 * 60_000;

function at(entries: readonly LogEntry[], field: keyof Air, moment: number): number | null {
  let before: LogEntry | null = null;
  let after: LogEntry | null = null;
  for (const entry of entries) {
    if (entry[field] === null) continue;
    if (entry.at <= moment && (!before || entry.at > before.at)) before = entry;
    if (entry.at >= moment && (!after || entry.at < after.at)) after = entry;
  }
  if (before && after) {
    const gap = after.at - before.at;
    if (gap === 0) return before[field];
    if (gap <= LONGEST_GAP_MS) {
      const share = (moment - before.at) / gap;
      return before[field]! + share * (after[field]! - before[field]!);
    }
  }
  const nearest = [before, after].filter((one): one is LogEntry => one !== null && Math.abs(one.at - moment) <= HOLDS_MS);
  return nearest.sort((a, b) => Math.abs(a.at - moment) - Math.abs(b.at - moment))[0]?.[field] ?? null;
}

/**
 * Air at a moment from readings of any order: straight between two that are at most two hours apart, else the nearest
 * within half an hour, each quantity by itself.
 *
 * @param moment - ms since 1970
 * @returns null where nobody knows
 * @throws CoreError `out_of_range` for a moment that is no number
 */
export function airAt(entries: readonly LogEntry[], moment: number): Air {
  requireRange('moment', moment, -8.64e15, 8.64e15);
  return {
    insideC: at(entries, 'insideC', moment),
    outsideC: at(entries, 'outsideC', moment),
    humidityPct: at(entries, 'humidityPct', moment),
  };
}
