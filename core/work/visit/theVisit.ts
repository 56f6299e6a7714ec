import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { USUAL } from '../../ground/usual';
import { localDay, localTime } from '../../ground/localTime';
import { sunPosition } from '../../method/weather/sun';
import type { SiteValue } from '../../model/siteRow';

export function visitRow(document: VisitDocument): Row<'visit'> {
  return document.rows.visit[document.visitId]!;
}

/** The visit's day by the site's calendar, in words. */
export function visitDay(document: VisitDocument): string {
  return localDay(visitRow(document).value.startedAt, siteOf(document).timeZone);
}

export function conditionsOf(document: VisitDocument): Row<'conditions'> | undefined {
  return Object.values(document.rows.conditions)[0];
}

export function siteOf(document: VisitDocument): SiteValue {
  return document.rows.site[document.siteId]!.value;
}

/** Where the lower edge of the plan looks, degrees from north. */
export function frontAzimuthOf(document: VisitDocument): number {
  return siteOf(document).facades[0]?.azimuth ?? USUAL.frontAzimuth;
}

/** The one row of a kind that a visit has once. */
export function onlyRow<E extends 'intake' | 'plan'>(document: VisitDocument, entity: E): Row<E> {
  return Object.values(document.rows[entity])[0]!;
}

/** The site's rooms in the order of the round. */
export function roomsOf(document: VisitDocument): Row<'room'>[] {
  return Object.values(document.rows.room).sort((a, b) => a.value.ordinal - b.value.ordinal || a.id.localeCompare(b.id));
}

/** Whether the sun is up at the begin of the visit; where the place is not known, by the clock there. */
export function isDay(document: VisitDocument): boolean {
  const { latitude, longitude, timeZone } = siteOf(document);
  const { startedAt } = visitRow(document).value;
  if (latitude !== null && longitude !== null) return sunPosition(startedAt, latitude, longitude).altitudeDeg > 0;
  const hour = Number(localTime(startedAt, timeZone).slice(0, 2));
  return hour >= 8 && hour < 17;
}
