import { and, asc, desc, eq, lt } from 'drizzle-orm';
import type { EarlierStop } from '@core/document';
import type { Connection } from '../connection';
import { frame, stop, visit } from '../schema';

/** What each stop showed on the last visit of the same site before this one; empty when there was none. */
export async function loadEarlier(
  connection: Connection,
  { siteId, startedAt }: { siteId: string; startedAt: number },
): Promise<Record<string, EarlierStop>> {
  const [before] = await connection
    .select({ id: visit.id, startedAt: visit.startedAt })
    .from(visit)
    .where(and(eq(visit.siteId, siteId), lt(visit.startedAt, startedAt), eq(visit.archived, false)))
    .orderBy(desc(visit.startedAt))
    .limit(1);
  if (!before) return {};
  const [stops, frames] = await Promise.all([
    connection.select().from(stop).where(eq(stop.visitId, before.id)),
    connection
      .select({ id: frame.id, stopKey: frame.stopKey, width: frame.width, height: frame.height, meanC: frame.meanC })
      .from(frame)
      .where(and(eq(frame.visitId, before.id), eq(frame.discarded, false)))
      .orderBy(asc(frame.takenAt)),
  ]);
  const last = new Map(frames.map(({ stopKey, ...rest }) => [stopKey, rest]));
  const of = (key: string, answer: EarlierStop['answer'], note: string): [string, EarlierStop] => [
    key,
    { visitId: before.id, startedAt: before.startedAt, answer, note, frame: last.get(key) ?? null },
  ];
  return Object.fromEntries([
    ...[...last.keys()].flatMap((key) => (key === null ? [] : [of(key, 'seen', '')])),
    ...stops.map(({ key, answer, note }) => of(key, answer, note)),
  ]);
}
