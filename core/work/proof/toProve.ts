import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { framesOf } from '../visit/frames';
import { openFirst } from './openFirst';
import type { PairRegion, PairValue } from '../../model/pairRow';

/** A finding of an earlier visit, with what this visit has to say of it. */
export interface ToProve {
  finding: Row<'finding'>;
  /** The frame on which it was found. */
  beforeFrameId: string;
  /** The pair of this visit that answers it; null while there is none. */
  pair: Row<'pair'> | null;
  /** Frames of this visit from the same stop, else of the same surface, the latest first. */
  offered: readonly Row<'frame'>[];
}

/**
 * What was found on an earlier visit and can be looked at again: findings with a frame, those that were left open first.
 *
 * @param earlier - the earlier visit, or this one for what was fixed on it
 */
export function toProve(document: VisitDocument, earlier: VisitDocument): ToProve[] {
  const pairs = Object.values(document.rows.pair);
  return openFirst(Object.values(earlier.rows.finding)).flatMap((finding) => {
    const { frameId } = finding.value;
    if (frameId === null || !earlier.rows.frame[frameId]) return [];
    const pair = pairs.find(({ value }) => value.findingId === finding.id) ?? null;
    return [{ finding, beforeFrameId: frameId, pair, offered: offeredFor(document, earlier, finding, frameId) }];
  });
}

function offeredFor(document: VisitDocument, earlier: VisitDocument, finding: Row<'finding'>, frameId: string): Row<'frame'>[] {
  const before = earlier.rows.frame[frameId]!.value;
  const stopKey = finding.value.stopKey ?? before.stopKey;
  const rank = (row: Row<'frame'>): number => {
    if (row.id === frameId || row.value.side !== before.side) return 0;
    if (stopKey !== null && row.value.stopKey === stopKey) return 3;
    if (before.surfaceId !== null && row.value.surfaceId === before.surfaceId) return 2;
    return before.roomId !== null && row.value.roomId === before.roomId ? 1 : 0;
  };
  return framesOf(document)
    .filter((row) => rank(row) > 0)
    .sort((a, b) => rank(b) - rank(a) || timeOf(document, b) - timeOf(document, a));
}

function timeOf(document: VisitDocument, { id }: Row<'frame'>): number {
  return Date.parse(document.frameFacts[id]!.takenAt);
}

/** A pair that answers a finding, with the finding's own regions to judge it by. */
export function pairFor(
  document: VisitDocument,
  earlier: VisitDocument,
  { finding, beforeFrameId }: ToProve,
  afterFrameId: string,
  newId: () => string,
): PairValue {
  const { thisRegionId, thatRegionId, title } = finding.value;
  const regions = [thisRegionId, thatRegionId].flatMap((id): PairRegion[] => {
    const region = earlier.rows.region[id ?? ''];
    if (!region || region.value.frameId !== beforeFrameId || region.value.shape.kind === 'beyond') return [];
    return [{ id: newId(), name: region.value.name, shape: region.value.shape, surface: null }];
  });
  return {
    visitId: document.visitId,
    beforeVisitId: earlier.visitId,
    beforeFrameId,
    afterFrameId,
    findingId: finding.id,
    title,
    regions,
    points: [],
    outcome: null,
    wall: null,
    work: null,
    note: '',
  };
}
