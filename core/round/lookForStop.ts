import type { VisitDocument } from '../document';
import { conditionsOf, isDay } from '../visit/theVisit';
import { lookForWords, type Place, placeOfStop } from './lookFor';
import type { Stop } from './stops';

/** What a cooled house is told by where nobody noted the air: a heated one on a winter day, °C. */
const USUAL = { insideC: 20, outsideC: 2 };

/** How a stop's place stands in this visit. */
export function placeAt(document: VisitDocument, stop: Stop): Place {
  const surface = document.rows.surface[stop.surfaceId ?? '']?.value ?? null;
  const room = document.rows.room[surface?.roomId ?? '']?.value ?? null;
  const noted = conditionsOf(document)?.value;
  const cooled = (noted?.insideC ?? USUAL.insideC) < (noted?.outsideC ?? USUAL.outsideC);
  return placeOfStop(surface, room, { cooled, day: isDay(document) });
}

/** What to look for at a stop of this visit. */
export function lookForStop(document: VisitDocument, stop: Stop): string {
  return lookForWords(stop.part, placeAt(document, stop));
}
