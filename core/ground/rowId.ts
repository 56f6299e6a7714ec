import { v5 as idFrom } from 'uuid';

/**
 * Id of a row that a visit has once by its name: the answer of a stop, the kit list. It follows from visit and name, unlike
 * other ids: two tabs that make it at once change the same row, so that one of them is asked instead of both being kept.
 */
export function rowIdFrom(visitId: string, name: string): string {
  return idFrom(name, visitId);
}

/** Id of the settings of a visit, surface, frame or region, which has them once. */
export function settingsIdOf(ownerId: string): string {
  return rowIdFrom(ownerId, 'settings');
}
