import { and, gte, inArray, isNull, max, or } from 'drizzle-orm';
import type { Entity } from '@core/model/entities';
import type { Connection } from '../connection';
import { change } from '../schema';
import type { Place } from './places';

/** A row that was changed, and where it lies. */
export interface Changed {
  entity: Entity;
  rowId: string;
  /** Its new version; the last one where it is gone. */
  version: number;
  placeId: string | null;
}

/** Who looks for a row's changes: its visit, else its site or loan, else everybody. */
export function placeIdOf(place: Place | null): string | null {
  return place?.visit ?? place?.site ?? place?.loan ?? null;
}

const AT_ONCE = 1000;

/** Writes down that rows changed, in the transaction that changes them. */
export async function noteChanges(tx: Connection, changed: readonly Changed[]): Promise<void> {
  const at = Date.now();
  for (let from = 0; from < changed.length; from += AT_ONCE) {
    await tx.insert(change).values(changed.slice(from, from + AT_ONCE).map((one) => ({ ...one, at })));
  }
}

/** The last versions of rows that were there once, by id: they come back with the next. */
export async function lastVersions(tx: Connection, rowIds: readonly string[]): Promise<Map<string, number>> {
  if (rowIds.length === 0) return new Map();
  const rows = await tx
    .select({ rowId: change.rowId, version: max(change.version) })
    .from(change)
    .where(inArray(change.rowId, [...rowIds]))
    .groupBy(change.rowId);
  return new Map(rows.map(({ rowId, version }) => [rowId, version ?? 0]));
}

/** Rows of these places, and of the shelf, that were changed since a moment, each once. */
export async function changedSince(
  connection: Connection,
  placeIds: readonly string[],
  since: number,
): Promise<{ entity: Entity; rowId: string }[]> {
  const rows = await connection
    .selectDistinct({ entity: change.entity, rowId: change.rowId })
    .from(change)
    .where(and(gte(change.at, since), or(inArray(change.placeId, [...placeIds]), isNull(change.placeId))));
  return rows as { entity: Entity; rowId: string }[];
}
