import { type Change, type Look, outerAirC } from '../../method/compare/change';
import type { VisitDocument } from '../../model/document';
import { framesOf } from '../visit/frames';
import { visitRow } from '../visit/theVisit';
import type { Answer } from './proven';
import type { PairValue } from '../../model/pairRow';

/** A frame in which another visit saw a place again. */
export interface SeenAgain {
  visit: VisitDocument;
  frameId: string;
}

/** A place on one visit: its temperature factor, as it was on the first one and as it changed since, with its band of 95 %. */
export interface CoursePoint {
  visitId: string;
  startedAt: number;
  factor: number;
  low: number;
  high: number;
}

/** Half a band of 95 %, in standard uncertainties. */
const BAND = 1.96;

/**
 * Where the place of a pair was seen again: on its own visit the pair's later frame, on others the last one from the same stop
 * and side, in the order of the visits.
 *
 * @param visits - of one site, each once
 */
export function seenAgain(earlier: VisitDocument, visits: readonly VisitDocument[], pair: PairValue): SeenAgain[] {
  const { stopKey, side } = earlier.rows.frame[pair.beforeFrameId]!.value;
  return visits
    .filter(({ visitId }) => visitId !== earlier.visitId || visitId === pair.visitId)
    .flatMap((visit): SeenAgain[] => {
      if (visit.visitId === pair.visitId) return [{ visit, frameId: pair.afterFrameId }];
      const same = framesOf(visit).filter(({ value }) => stopKey !== null && value.stopKey === stopKey && value.side === side);
      const last = same.sort((a, b) => takenAt(visit, b.id) - takenAt(visit, a.id))[0];
      return last ? [{ visit, frameId: last.id }] : [];
    })
    .sort((a, b) => startOf(a.visit) - startOf(b.visit));
}

/**
 * One region of a pair over the visits, each against the first; visits on which it cannot be compared are left out.
 *
 * @param look - air of the first visit
 * @param answers - of the frames in which it was seen again
 */
export function courseOf(
  regionId: string,
  earlier: VisitDocument,
  look: Pick<Look, 'side' | 'insideC' | 'outsideC' | 'spaceC'>,
  answers: readonly { visit: VisitDocument; answer: Answer }[],
): CoursePoint[] {
  const changes = answers.flatMap(({ visit, answer }) => {
    const change = 'changes' in answer ? answer.changes.find(({ name }) => name === regionId) : undefined;
    return change ? [{ visit, change }] : [];
  });
  const beforeC = changes[0]?.change.beforeC ?? null;
  const drive = look.insideC - outerAirC(look);
  if (beforeC === null || drive === 0) return [];
  const seen = (beforeC - outerAirC(look)) / drive;
  // As it would be seen from inside, where a higher factor is better on every side.
  const first = look.side === 'inside' ? seen : 1 - seen;
  return [
    { visitId: earlier.visitId, startedAt: startOf(earlier), factor: first, low: first, high: first },
    ...changes.flatMap(({ visit, change }) => pointOf(visit, first, change)),
  ].sort((a, b) => a.startedAt - b.startedAt);
}

function pointOf(visit: VisitDocument, first: number, { change, uncertainty }: Change): CoursePoint[] {
  if (change === null || uncertainty === null) return [];
  const factor = first + change;
  const half = BAND * uncertainty;
  return [{ visitId: visit.visitId, startedAt: startOf(visit), factor, low: factor - half, high: factor + half }];
}

function startOf(document: VisitDocument): number {
  return visitRow(document).value.startedAt;
}

function takenAt(document: VisitDocument, frameId: string): number {
  return Date.parse(document.frameFacts[frameId]!.takenAt);
}
