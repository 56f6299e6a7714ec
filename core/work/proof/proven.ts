import { changesOf, type Change, type Known, type Place } from '../../method/compare/change';
import type { Matched } from '../../method/compare/byHand';
import { laidOn } from '../../method/compare/lay';
import { differentLooking, type Photo, type PhotoOver } from '../../method/compare/sameLook';
import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import type { Homography } from '../../ground/homography';
import { knownOf, placeOf } from './looks';
import { photosOfPair } from './photosOfPair';
import { sidesOf, type Sides } from './sides';

/** What two frames say: the map from the earlier to the later one, and what changed in each region; or why they say nothing. */
export type Answer = { h: Homography; changes: readonly Change[] } | { problem: string };

/** A pair with the visit that it is compared with, and what it says; null while that is not known. */
export interface Proven {
  pair: Row<'pair'>;
  earlier: VisitDocument;
  sides: Sides | null;
  answer: Answer | null;
}

/** A pair that can be asked, with both of its visits. */
export interface Asked {
  pair: Row<'pair'>;
  earlier: VisitDocument;
}

/** Visits that the pairs of a visit are compared with, without itself. */
export function earlierVisitsOf({ visitId, rows }: VisitDocument): string[] {
  return [...new Set(Object.values(rows.pair).map(({ value }) => value.beforeVisitId))].filter((id) => id !== visitId);
}

/** Frames whose pixels the pairs of a visit need, of all visits. */
export function framesOfPairs(document: VisitDocument, earlier: readonly VisitDocument[]): string[] {
  return [...new Set(askedPairs(document, earlier).flatMap(({ pair: { value } }) => [value.beforeFrameId, value.afterFrameId]))];
}

/** Pairs of which both frames are still there, in the order in which they were made. */
export function askedPairs(document: VisitDocument, earlier: readonly VisitDocument[]): Asked[] {
  const visits = new Map([document, ...earlier].map((visit) => [visit.visitId, visit]));
  return Object.values(document.rows.pair)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .flatMap((pair) => {
      const before = visits.get(pair.value.beforeVisitId);
      const there = before?.rows.frame[pair.value.beforeFrameId] && document.rows.frame[pair.value.afterFrameId];
      return before && there ? [{ pair, earlier: before }] : [];
    });
}

/** Both frames of a pair, with its regions as places; null while their pixels are on the way. */
export function readyPair(
  document: VisitDocument,
  { pair, earlier }: Asked,
  pixels: (frameId: string) => Float32Array | undefined,
): { sides: Sides; places: Place[]; known: Known } | null {
  const values = [pixels(pair.value.beforeFrameId), pixels(pair.value.afterFrameId)] as const;
  if (!values[0] || !values[1]) return null;
  const sides = sidesOf(earlier, document, pair.value, [values[0], values[1]]);
  const size = earlier.frameFacts[pair.value.beforeFrameId]!;
  return {
    sides,
    places: pair.value.regions.map((region) => placeOf(region, size)),
    known: knownOf(earlier, pair.value),
  };
}

/**
 * Lays the frames of a pair on each other and says what changed.
 *
 * @param photos - of both frames, the earlier one first; null where one has none
 */
export function answerOf(
  { before, after, looks }: Sides,
  points: readonly Matched[],
  places: readonly Place[],
  known: Known,
  photos: readonly [PhotoOver, PhotoOver] | null,
): Answer {
  if (!looks) return { problem: 'The air inside and outside is not known on both visits.' };
  const laying = laidOn(before, after, points);
  if ('error' in laying) return { problem: laying.error.message };
  const { h } = laying.laid;
  return { h, changes: changesOf(...looks, h, places, known, photos ? differentLooking(...photos, h, places) : undefined) };
}

/** Photos that the pairs of a visit are looked at by. */
export function photosOfPairs(document: VisitDocument, earlier: readonly VisitDocument[]): Row<'photo'>[] {
  const all = askedPairs(document, earlier).flatMap(
    ({ pair, earlier: before }) => photosOfPair(before, document, pair.value) ?? [],
  );
  return [...new Map(all.map(({ row }) => [row.id, row])).values()];
}

/** A pair's photos with their pixels; null where one is missing. */
function seenPhotos(
  { pair, earlier }: Asked,
  document: VisitDocument,
  photoFor: (photoId: string) => Photo | undefined,
): readonly [PhotoOver, PhotoOver] | null {
  const [before, after] = (photosOfPair(earlier, document, pair.value) ?? []).map(({ row, ...over }) => {
    const photo = photoFor(row.id);
    return photo && { ...over, photo };
  });
  return before && after ? [before, after] : null;
}

/**
 * All pairs of a visit, asked one after the other.
 *
 * @param known - answers that need not be found again, by pair
 */
export function provenOf(
  document: VisitDocument,
  earlier: readonly VisitDocument[],
  pixels: (frameId: string) => Float32Array | undefined,
  photoFor: (photoId: string) => Photo | undefined,
  known: ReadonlyMap<string, Answer> = new Map(),
): Proven[] {
  return askedPairs(document, earlier).map((asked) => {
    const ready = readyPair(document, asked, pixels);
    return {
      ...asked,
      sides: ready?.sides ?? null,
      answer:
        known.get(asked.pair.id) ??
        (ready &&
          answerOf(ready.sides, asked.pair.value.points, ready.places, ready.known, seenPhotos(asked, document, photoFor))),
    };
  });
}
