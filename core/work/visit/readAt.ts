import type { VisitDocument } from '../../model/document';
import { framesOf, takenAtOf } from './frames';
import { visitRow } from './theVisit';

const HOUR_MS = 3_600_000;
/** A visit without frames lasts so long at most; and an hour after its last frame it is over. */
const LONGEST_H = 11;

/** Hours of a visit: from its start, or a frame before it, to an hour after its last frame, and never less than twelve; ms. */
export function hoursOf(document: VisitDocument): { from: number; to: number } {
  const { startedAt } = visitRow(document).value;
  const times = [startedAt, ...framesOf(document).map(({ id }) => Date.parse(takenAtOf(document, id)))];
  return { from: Math.min(...times), to: Math.max(...times, startedAt + LONGEST_H * HOUR_MS) + HOUR_MS };
}

/**
 * When a reading of the air was taken, where nobody says: now, until the visit is over. What is typed afterwards was read beside the
 * room's last frame, or the visit's, or when it began.
 *
 * @param roomId - null for the house
 */
export function usualReadAt(document: VisitDocument, roomId: string | null, now: number): number {
  if (now <= hoursOf(document).to) return now;
  const frames = framesOf(document);
  const there = roomId === null ? frames : frames.filter(({ value }) => value.roomId === roomId);
  const times = (there.length > 0 ? there : frames).map(({ id }) => Date.parse(takenAtOf(document, id)));
  return times.length > 0 ? Math.max(...times) : visitRow(document).value.startedAt;
}
