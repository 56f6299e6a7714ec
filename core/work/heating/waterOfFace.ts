import type { VisitDocument } from '../../model/document';
import { readingsOf, tailsOf, turnsOf, type Pixels } from './tails';

/** A reading belongs to a face when it was taken this near to it, ms. */
const NEAR_MS = 30 * 60_000;

/** Flow and return of an emitter while its face was seen, °C. */
export interface FaceWater {
  flowC: number;
  returnC: number;
}

/**
 * What went through an emitter when its face was seen: the reading nearest in time, with no turn of its valve between.
 *
 * @returns undefined while pixels are on their way, null where nobody read it then
 */
export function waterOfFace(
  document: VisitDocument,
  serviceId: string,
  takenAt: number,
  pixels: Pixels,
): FaceWater | null | undefined {
  const turns = turnsOf(document).filter(({ value }) => value.serviceId === serviceId);
  const near = readingsOf(document)
    .filter(({ value }) => value.serviceId === serviceId && Math.abs(value.at - takenAt) <= NEAR_MS)
    .filter(
      ({ value: { at } }) => !turns.some(({ value }) => Math.min(at, takenAt) < value.at && value.at <= Math.max(at, takenAt)),
    )
    .sort((a, b) => Math.abs(a.value.at - takenAt) - Math.abs(b.value.at - takenAt));
  for (const row of near) {
    const tails = tailsOf(document, row, pixels);
    if (tails === undefined) return undefined;
    if (tails) return { flowC: Math.max(tails.flowC, tails.returnC), returnC: Math.min(tails.flowC, tails.returnC) };
  }
  return null;
}

/** Faces are compared at like flow and drop: within so many kelvin of each other, or this share of the drop. */
const LIKE_FLOW_K = 6;
const LIKE_DROP_K = 3;
const LIKE_DROP = 0.25;

/** Whether as much water, as hot, went through before and after: a face that became warmer by more water proves no flush. */
export function likeWater(before: FaceWater | null, after: FaceWater | null): boolean {
  if (!before || !after) return false;
  const [a, b] = [before.flowC - before.returnC, after.flowC - after.returnC];
  return (
    Math.abs(before.flowC - after.flowC) <= LIKE_FLOW_K && Math.abs(a - b) <= Math.max(LIKE_DROP_K, LIKE_DROP * Math.max(a, b))
  );
}
