import { and, eq, getTableColumns } from 'drizzle-orm';
import type { FrameFacts, PhotoFacts, VisitChanges, VisitDocument, VisitFacts } from '@core/model/document';
import { ENTITIES, type Row, type VisitEntity } from '@core/model/entities';
import { entityOf } from '@core/model/entityOf';
import { CoreError } from '@core/ground/errors';
import type { Asking } from '../asking';
import type { Connection } from '../connection';
import { changedSince } from '../rows/changes';
import { hangsOn, loadStored, readRows, valueColumns } from '../rows/read';
import { selectRows } from '../rows/selectRows';
import { tableOf } from '../rows/tables';
import * as t from '../schema';
import { loadEarlier } from './earlier';
import { hasPractice } from './practice';

const KINDS = ENTITIES.filter(({ scope }) => scope !== 'loan').map(({ name }) => name as VisitEntity);

/** In the order in which they were made, which their ids have: the database gives rows in any. */
const inOrder = <R extends { id: string }>(rows: readonly R[]): R[] => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1));

function byId<R extends { id: string }>(rows: readonly R[]): Record<string, R> {
  const found: Record<string, R> = {};
  for (const row of inOrder(rows)) found[row.id] = row;
  return found;
}

type StoredRow = Record<string, unknown> & { id: string };

/** All rows of one kind that a visit shows: its own, its site's, and the shelf's. */
async function storedOf(tx: Connection, entity: VisitEntity, visitId: string, siteId: string): Promise<StoredRow[]> {
  const table = tableOf(entity);
  const columns = FACTS[entity] ? getTableColumns(table) : valueColumns(entity);
  const everybodys = entityOf(entity).scope === 'shelf';
  const condition = everybodys ? undefined : hangsOn(tx, entity, { visit: [visitId], site: [siteId] });
  if (!everybodys && !condition) return [];
  return (await selectRows(tx, columns, table, condition)) as StoredRow[];
}

/** Kinds that are shown with more than their value. */
const FACTS: { [E in VisitEntity]?: (facts: VisitFacts, stored: never) => void } = {
  frame: (facts, row: typeof t.frame.$inferSelect) => {
    facts.frameFacts[row.id] = frameFacts(row);
  },
  photo: (facts, row: typeof t.photo.$inferSelect) => {
    facts.photoFacts[row.id] = photoFacts(row);
  },
  finding: (facts, row: typeof t.finding.$inferSelect) => {
    facts.recordedAt[row.id] = new Date(row.recordedAt).toISOString();
  },
};

function frameFacts(row: typeof t.frame.$inferSelect): FrameFacts {
  const { fileName, width, height, format, sourceUnit, page, offsetK, slope, noiseK, minC, maxC, meanC, cameraId, pixelsSha } =
    row;
  return {
    takenAt: row.takenAt.toISOString(),
    fileName,
    width,
    height,
    format,
    sourceUnit,
    page,
    offsetK,
    slope,
    noiseK,
    minC,
    maxC,
    meanC,
    cameraId,
    pixelsSha,
    thumb: { width: row.thumbWidth, height: row.thumbHeight },
  };
}

function photoFacts({ takenAt, fileName, width, height }: typeof t.photo.$inferSelect): PhotoFacts {
  return { takenAt: takenAt.toISOString(), fileName, width, height };
}

function addFacts(facts: VisitFacts, entity: VisitEntity, stored: readonly StoredRow[]): void {
  const add = FACTS[entity] as ((facts: VisitFacts, stored: StoredRow) => void) | undefined;
  if (add) for (const row of inOrder(stored)) add(facts, row);
}

const noFacts = (): VisitFacts => ({ frameFacts: {}, photoFacts: {}, recordedAt: {} });

/** What can be said of a visit at once. @throws CoreError `not_found` */
export async function visitBrief({ db }: Asking, visitId: string) {
  const [found] = await db
    .select({
      id: t.visit.id,
      site: t.site.name,
      title: t.visit.title,
      startedAt: t.visit.startedAt,
      timeZone: t.site.timeZone,
      practice: t.visit.practice,
      insideC: t.conditions.insideC,
      outsideC: t.conditions.outsideC,
      frames: db.$count(t.frame, and(eq(t.frame.visitId, visitId), eq(t.frame.discarded, false))),
    })
    .from(t.visit)
    .innerJoin(t.site, eq(t.site.id, t.visit.siteId))
    .leftJoin(t.conditions, eq(t.conditions.visitId, t.visit.id))
    .where(eq(t.visit.id, visitId));
  if (!found) throw noSuchVisit(visitId);
  return found;
}

const noSuchVisit = (visitId: string): CoreError =>
  new CoreError('not_found', 'There is no such visit.', { value: visitId }, 'Choose a visit from the list.');

/** Visits of a list that are still there, each as `loadVisitDocument` gives it. */
export async function loadVisitDocuments(asking: Asking, visitIds: readonly string[]): Promise<VisitDocument[]> {
  const loaded: VisitDocument[] = [];
  for (const id of visitIds) {
    try {
      loaded.push(await loadVisitDocument(asking, id));
    } catch (error) {
      if (!(error instanceof CoreError) || error.code !== 'not_found') throw error;
    }
  }
  return loaded;
}

async function siteOf(tx: Connection, visitId: string) {
  const [found] = await tx
    .select({ siteId: t.visit.siteId, startedAt: t.visit.startedAt, practice: t.visit.practice })
    .from(t.visit)
    .where(eq(t.visit.id, visitId));
  if (!found) throw noSuchVisit(visitId);
  return found;
}

/**
 * Everything of a visit but its pixels, as it was at one moment.
 *
 * @throws CoreError `not_found`
 */
export async function loadVisitDocument(asking: Asking, visitId: string): Promise<VisitDocument> {
  const readAt = Date.now();
  return asking.snapshot(async (tx) => {
    const visit = await siteOf(tx, visitId);
    const document: VisitDocument = {
      visitId,
      siteId: visit.siteId,
      readAt,
      broken: [],
      practised: visit.practice && (await hasPractice(tx, visit.siteId)),
      ...noFacts(),
      earlier: await loadEarlier(tx, visit),
      rows: Object.fromEntries(KINDS.map((entity) => [entity, {}])) as unknown as VisitDocument['rows'],
    };
    for (const entity of KINDS) {
      const stored = await storedOf(tx, entity, visitId, visit.siteId);
      const { rows, broken } = readRows(entity, stored);
      (document.rows as Record<VisitEntity, Record<string, Row<VisitEntity>>>)[entity] = byId(rows);
      document.broken.push(...broken);
      addFacts(document, entity, stored);
    }
    return document;
  });
}

/** Changes are written down for a week; see server/keep/tidy.ts. */
const KEPT_MS = 6 * 24 * 3_600_000;
/** A change is seen by those who read some seconds later at the latest, however long its transaction took, ms. */
const OVERLAP_MS = 20_000;

/**
 * What was changed of a visit since it was read: rows as they are now, and what is gone. Some of it may be known already.
 *
 * @param since - `readAt` of what is there
 * @throws CoreError `not_found`, `stale` when that was too long ago
 */
export async function loadVisitChanges(asking: Asking, visitId: string, since: number): Promise<VisitChanges> {
  const readAt = Date.now();
  if (since < readAt - KEPT_MS)
    throw new CoreError('stale', 'This page is older than what is written down.', {}, 'Reload the page.');
  return asking.snapshot(async (tx) => {
    const { siteId } = await siteOf(tx, visitId);
    const changed = await changedSince(tx, [visitId, siteId], since - OVERLAP_MS);
    const changes: VisitChanges = { readAt, broken: [], ...noFacts(), rows: {}, gone: {} };
    for (const entity of KINDS) {
      const ids = changed.filter((one) => one.entity === entity).map(({ rowId }) => rowId);
      if (ids.length === 0) continue;
      const stored = await loadStored(tx, entity, ids);
      const { rows, broken } = readRows(entity, stored);
      const there = new Set(stored.map(({ id }) => id));
      Object.assign(changes.rows, { [entity]: rows });
      changes.gone[entity] = ids.filter((id) => !there.has(id));
      changes.broken.push(...broken);
      addFacts(changes, entity, stored);
    }
    return changes;
  });
}
