import type { Change, Verdict } from '../compare/change';
import { sizeOf } from '../frame/metric';
import { metricFor } from '../visit/sizes';
import type { Proven } from './proven';

/** A place against the sound one beside it, before and after, both in the weather of the earlier visit, K. */
export interface Left {
  place: string;
  beside: string;
  beforeK: number;
  afterK: number;
  /** Square metres of the place; null where no sizes are known. */
  squareMetres: number | null;
}

/** What is left of what was found: its first region against its second; null where one of them cannot be compared. */
export function leftOf({ pair, earlier, sides, answer }: Proven): Left | null {
  const [place, beside] = pair.value.regions;
  if (!place || !beside || !sides?.looks || !answer || 'problem' in answer) return null;
  const [look] = sides.looks;
  const drive = look.insideC - look.outsideC;
  const [one, other] = [place, beside].map(({ id }) => answer.changes.find(({ name }) => name === id)) as [Change, Change];
  if (one.change === null || other.change === null) return null;
  const beforeK = one.beforeC - other.beforeC;
  return {
    place: place.name,
    beside: beside.name,
    beforeK,
    afterK: beforeK + (one.change - other.change) * drive,
    squareMetres: areaOf(earlier, pair.value.beforeFrameId, place.shape),
  };
}

function areaOf(
  earlier: Proven['earlier'],
  frameId: string,
  shape: Proven['pair']['value']['regions'][number]['shape'],
): number | null {
  const metric = metricFor(earlier, frameId);
  const size = metric && shape.kind !== 'spot' && shape.kind !== 'line' ? sizeOf(metric, shape) : null;
  return size && 'squareMetres' in size ? size.squareMetres : null;
}

/** What a pair says as a whole: worse where one place is, better where one is and none worse, same where all are. */
export function verdictOfPair(changes: readonly Pick<Change, 'verdict'>[]): Verdict {
  const said = new Set(changes.map(({ verdict }) => verdict));
  if (said.has('worse')) return 'worse';
  if (said.has('better')) return 'better';
  return said.has('same') && !said.has('cannot-say') ? 'same' : 'cannot-say';
}

/** A finding is closed by proof: at least one place better, and none worse or unclear. */
export function isProven(changes: readonly Pick<Change, 'verdict'>[]): boolean {
  return (
    changes.some(({ verdict }) => verdict === 'better') &&
    changes.every(({ verdict }) => verdict === 'better' || verdict === 'same')
  );
}
