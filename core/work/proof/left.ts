import { type Change, type Look, outerAirC, type Verdict } from '../../method/compare/change';
import type { VisitDocument } from '../../model/document';
import { sizeOf } from '../../method/frame/metric';
import { metricFor } from '../visit/sizes';
import type { PairRegion, PairValue } from '../../model/pairRow';
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
  if (!sides?.looks || !answer || 'problem' in answer) return null;
  return leftBy(pair.value, earlier, sides.looks[0], answer.changes);
}

/** The same of a pair whose changes are known. @param look - of the earlier visit */
export function leftBy(
  { regions: [place, beside], beforeFrameId }: Pick<PairValue, 'regions' | 'beforeFrameId'>,
  earlier: VisitDocument,
  look: Pick<Look, 'side' | 'insideC' | 'outsideC' | 'spaceC'>,
  changes: readonly Change[],
): Left | null {
  if (!place || !beside) return null;
  const drive = driveSeen(look);
  const [one, other] = [place, beside].map(({ id }) => changes.find(({ name }) => name === id)) as [Change, Change];
  if (one.change === null || other.change === null || one.beforeC === null || other.beforeC === null) return null;
  const beforeK = one.beforeC - other.beforeC;
  return {
    place: place.name,
    beside: beside.name,
    beforeK,
    afterK: beforeK + (one.change - other.change) * drive,
    squareMetres: areaOf(earlier, beforeFrameId, place.shape),
  };
}

/**
 * What a place changed by, K, as it would show in balance in the weather of the earlier visit, with its 95 % interval; null where
 * that is not known.
 *
 * @param look - of the earlier visit
 */
export function changedK(
  { change, uncertainty }: Pick<Change, 'change' | 'uncertainty'>,
  look: Pick<Look, 'side' | 'insideC' | 'outsideC' | 'spaceC'>,
): { kelvin: number; pm: number } | null {
  if (change === null) return null;
  const drive = driveSeen(look);
  return { kelvin: change * drive, pm: 1.96 * uncertainty! * Math.abs(drive) };
}

/** Seen from outside or from a loft less heat that comes through is a colder face. */
function driveSeen(look: Pick<Look, 'side' | 'insideC' | 'outsideC' | 'spaceC'>): number {
  return (look.side === 'inside' ? 1 : -1) * (look.insideC - outerAirC(look));
}

function areaOf(earlier: VisitDocument, frameId: string, shape: PairRegion['shape']): number | null {
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
export function isProven(changes: readonly Pick<Change, 'verdict' | 'why'>[]): boolean {
  return (
    changes.some(({ verdict }) => verdict === 'better') &&
    changes.every(({ verdict, why }) => verdict === 'better' || verdict === 'same' || why === 'same-or-better')
  );
}
