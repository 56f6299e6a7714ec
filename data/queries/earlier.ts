import { and, asc, desc, eq, inArray, lt, ne, notExists, type SQL } from 'drizzle-orm';
import type { EarlierStop } from '@core/model/document';
import type { Connection } from '../connection';
import { finding, frame, pair, stop, visit } from '../schema';

type EarlierFrame = NonNullable<EarlierStop['frame']>;

/**
 * What each stop showed on the last visit of the same site before this one, and what any visit before left open there; empty
 * when there was none.
 */
export async function loadEarlier(
  connection: Connection,
  { siteId, startedAt }: { siteId: string; startedAt: number },
): Promise<Record<string, EarlierStop>> {
  const past = and(eq(visit.siteId, siteId), lt(visit.startedAt, startedAt), eq(visit.archived, false));
  const [before] = await connection
    .select({ id: visit.id, startedAt: visit.startedAt })
    .from(visit)
    .where(past)
    .orderBy(desc(visit.startedAt))
    .limit(1);
  if (!before) return {};
  const [stops, frames, open] = await Promise.all([
    connection.select().from(stop).where(eq(stop.visitId, before.id)),
    connection
      .select({ stopKey: frame.stopKey, ...SHOWN })
      .from(frame)
      .where(and(eq(frame.visitId, before.id), eq(frame.discarded, false)))
      .orderBy(asc(frame.takenAt)),
    leftOpen(connection, past),
  ]);
  const last = new Map(frames.map(({ stopKey, ...rest }) => [stopKey, rest]));
  const of = (key: string, answer: EarlierStop['answer'], note: string): [string, EarlierStop] => [
    key,
    {
      visitId: before.id,
      startedAt: before.startedAt,
      answer,
      note,
      open: open.get(key)?.titles ?? [],
      frame: open.get(key)?.frame ?? last.get(key) ?? null,
    },
  ];
  return Object.fromEntries([
    ...[...open.keys()].map((key) => of(key, null, '')),
    ...[...last.keys()].flatMap((key) => (key === null ? [] : [of(key, 'seen', '')])),
    ...stops.map(({ key, answer, note }) => of(key, answer, note)),
  ]);
}

const SHOWN = { id: frame.id, width: frame.width, height: frame.height, meanC: frame.meanC };

/** Findings of earlier visits that are open still, and that no later pair settled, by their stops. */
async function leftOpen(
  connection: Connection,
  past: SQL | undefined,
): Promise<Map<string, { titles: string[]; frame: EarlierFrame | null }>> {
  const rows = await connection
    .select({ title: finding.title, ownKey: finding.stopKey, frameKey: frame.stopKey, ...SHOWN })
    .from(finding)
    .innerJoin(visit, eq(visit.id, finding.visitId))
    .leftJoin(frame, and(eq(frame.id, finding.frameId), eq(frame.discarded, false)))
    .where(
      and(
        past,
        eq(finding.state, 'open'),
        ne(finding.basis, 'nothing'),
        notExists(
          connection
            .select({ id: pair.id })
            .from(pair)
            .where(and(eq(pair.findingId, finding.id), inArray(pair.outcome, ['closed', 'accepted']))),
        ),
      ),
    )
    .orderBy(asc(visit.startedAt), asc(finding.id));
  const open = new Map<string, { titles: string[]; frame: EarlierFrame | null }>();
  for (const { title, ownKey, frameKey, ...shown } of rows) {
    const key = ownKey ?? frameKey;
    if (key === null) continue;
    const known = open.get(key) ?? { titles: [], frame: null };
    open.set(key, {
      titles: [...known.titles, title],
      frame: known.frame ?? (shown.id === null ? null : (shown as EarlierFrame)),
    });
  }
  return open;
}
