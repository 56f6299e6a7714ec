import { v5 as idFrom } from 'uuid';

/**
 * Id of a stop's row. It follows from visit and stop, unlike other ids: two tabs that answer the same stop at once change
 * the same row, so that one of them is asked instead of both being kept side by side.
 */
export function stopId(visitId: string, key: string): string {
  return idFrom(key, visitId);
}
