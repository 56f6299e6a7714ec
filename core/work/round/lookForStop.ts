import type { VisitDocument } from '../../model/document';
import { USUAL } from '../../ground/usual';
import { conditionsOf, isDay } from '../visit/theVisit';
import { lookForWords, type Place, placeOfStop } from './lookFor';
import type { Stop } from './stops';

/** How a stop's place stands in this visit. */
export function placeAt(document: VisitDocument, stop: Stop): Place {
  const surface = document.rows.surface[stop.surfaceId ?? '']?.value ?? null;
  const room = document.rows.room[surface?.roomId ?? '']?.value ?? null;
  const noted = conditionsOf(document)?.value;
  // Where nobody noted the air it is a heated house on a winter day.
  const cooled = (noted?.insideC ?? USUAL.airC) < (noted?.outsideC ?? USUAL.outsideC);
  return placeOfStop(surface, room, { cooled, day: isDay(document) });
}

/** What to look for at a stop of this visit. */
export function lookForStop(document: VisitDocument, stop: Stop): string {
  return lookForWords(stop.part, placeAt(document, stop));
}
