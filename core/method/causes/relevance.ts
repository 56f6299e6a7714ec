import type { Candidate } from '../detect/candidate';
import type { RankedCause } from './rank';

/** Contrast above which more makes no place matter more, K. */
const ENOUGH_K = 4;

/**
 * How much a candidate matters beside others: what it loses by size and contrast, as far as it is believed to be something to mend.
 *
 * @returns 0 … 1, without a unit: only the order means something
 */
export function relevance({ contrast, share }: Pick<Candidate, 'contrast' | 'share'>, ranked: readonly RankedCause[]): number {
  const toMend = ranked.reduce((sum, { cause, score }) => sum + (cause.harmless ? 0 : score), 0);
  const strong = Math.min(1, Math.abs(contrast) / ENOUGH_K);
  return (0.1 + 0.9 * toMend) * Math.sqrt(strong) * (0.4 + 0.6 * Math.min(1, Math.sqrt(10 * share)));
}
