import { and, count, desc, eq, lt } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/ground/errors';
import { nextPlan, roomKindFromName } from '@core/work/house/edit';
import type { EarlierVisit } from '@core/work/proof/earlierVisit';
import { KINDS } from '@core/model/visitKinds';
import type { SiteWithVisits } from '@core/work/visit/siteWithVisits';
import type { NewVisit } from '@core/work/visit/newVisit';
import { USUAL_TIME_CONSTANTS } from '@core/method/weather/wallMemory';
import type { Asking } from '../asking';
import type { Connection } from '../connection';
import { conditions, finding, frame, intake, plan, room, settings, site, visit } from '../schema';
import { transact } from '../transact';
import { noteChanges } from '../rows/changes';
import { rowFrom } from '../rows/read';

/** All sites with their visits: the site that was visited last comes first, then sites without a visit by name. */
export async function listSites(asking: Asking): Promise<SiteWithVisits[]> {
  const [sites, visits, frames, findings] = await Promise.all([
    asking.db.select().from(site),
    asking.db.select().from(visit).orderBy(desc(visit.startedAt)),
    asking.db.select({ visitId: frame.visitId, n: count() }).from(frame).groupBy(frame.visitId),
    asking.db.select({ visitId: finding.visitId, n: count() }).from(finding).groupBy(finding.visitId),
  ]);
  const of = (counts: { visitId: string; n: number }[], id: string) => counts.find(({ visitId }) => visitId === id)?.n ?? 0;
  const last = (one: SiteWithVisits) => one.visits[0]?.row.value.startedAt ?? 0;
  return sites
    .map((stored) => ({
      row: rowFrom('site', stored),
      visits: visits
        .filter(({ siteId }) => siteId === stored.id)
        .map((row) => ({
          row: rowFrom('visit', row),
          frames: of(frames, row.id),
          findings: of(findings, row.id),
        })),
    }))
    .sort((a, b) => last(b) - last(a) || a.row.value.name.localeCompare(b.row.value.name));
}

/**
 * A visit of a new or a known site, whole or not at all. A visit of a known site takes over the rooms; a seasonal repeat
 * takes over the last visit's question, intake, plan, scale and settings as well.
 *
 * @throws CoreError `not_found`
 */
export async function createVisit(asking: Asking, wanted: NewVisit): Promise<{ visitId: string; siteId: string }> {
  return transact(asking.db, async (tx) => {
    const known = 'id' in wanted.site ? await requireSite(tx, wanted.site.id) : null;
    const siteId = known ?? newId();
    const practice = (known ? await isMadeUp(tx, known) : null) ?? wanted.practice ?? false;
    if (!('id' in wanted.site)) await tx.insert(site).values({ id: siteId, ...wanted.site });
    await addRooms(tx, siteId, wanted.rooms);
    const last = wanted.kind === 'seasonal' ? await lastVisit(tx, siteId) : null;
    const visitId = newId();
    const { belowK, aboveK, colourMap, fixed, shade } = last?.visit ?? {};
    await tx.insert(visit).values({
      id: visitId,
      siteId,
      title: wanted.title,
      question: wanted.question || (last?.visit.question ?? ''),
      startedAt: wanted.startedAt,
      practice,
      ...(last && { belowK, aboveK, colourMap, fixed, shade }),
    });
    const { complaints = [], history = [], people = '', access = '' } = last?.intake ?? {};
    // What was answered then is not the answer now.
    const asked = complaints.map((complaint) => ({ ...complaint, answer: '' }));
    const ownHome = last?.intake.ownHome ?? false;
    await tx
      .insert(intake)
      .values({ id: newId(), visitId, kind: wanted.kind, complaints: asked, history, ownHome, people, access });
    await tx.insert(plan).values({
      id: newId(),
      visitId,
      insideC: last?.plan.insideC ?? wanted.insideC,
      strictness: last?.plan.strictness ?? KINDS[wanted.kind].strictness,
      timeConstantsH: last?.plan.timeConstantsH ?? USUAL_TIME_CONSTANTS,
    });
    await tx.insert(conditions).values({
      id: newId(),
      visitId,
      insideC: wanted.insideC,
      outsideC: wanted.outsideC,
      humidityPct: wanted.humidityPct,
    });
    if (last?.settings) await tx.insert(settings).values({ ...last.settings, id: newId(), visitId, version: 1 });
    return { visitId, siteId };
  });
}

async function requireSite(tx: Connection, id: string): Promise<string> {
  const [found] = await tx.select({ id: site.id }).from(site).where(eq(site.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such site.', { value: id }, 'Choose a site from the list.');
  return id;
}

/** A made-up house: it was made for practice, and nobody went to it for real. null while nobody went at all. */
async function isMadeUp(tx: Connection, siteId: string): Promise<boolean | null> {
  const visits = await tx.select({ practice: visit.practice }).from(visit).where(eq(visit.siteId, siteId));
  return visits.length === 0 ? null : visits.every(({ practice }) => practice);
}

/** Adds rooms that the site does not have yet, behind those it has. */
async function addRooms(tx: Connection, siteId: string, names: string[]): Promise<void> {
  const rooms = await tx.select().from(room).where(eq(room.siteId, siteId));
  const added = names.filter((name) => !rooms.some((known) => known.name === name));
  if (added.length === 0) return;
  const next = Math.max(-1, ...rooms.map(({ ordinal }) => ordinal)) + 1;
  const placed = rooms.map(({ planX, planY, planWidth, planDepth, storey }) => ({
    storey,
    plan: { x: planX, y: planY, width: planWidth, depth: planDepth },
  }));
  for (const [i, name] of added.entries()) {
    const kind = roomKindFromName(name);
    const plan = nextPlan(placed, 0);
    placed.push({ storey: 0, plan });
    const id = newId();
    await tx.insert(room).values({ id, siteId, name, kind, ordinal: next + i, planX: plan.x, planY: plan.y });
    await noteChanges(tx, [{ entity: 'room', rowId: id, version: 1, placeId: siteId }]);
  }
}

async function lastVisit(tx: Connection, siteId: string) {
  const [last] = await tx
    .select({ visit, intake, plan, settings })
    .from(visit)
    .innerJoin(intake, eq(intake.visitId, visit.id))
    .innerJoin(plan, eq(plan.visitId, visit.id))
    .leftJoin(settings, eq(settings.visitId, visit.id))
    .where(eq(visit.siteId, siteId))
    .orderBy(desc(visit.startedAt))
    .limit(1);
  return last ?? null;
}

/** The visits of a visit's site before it, the last one first. */
export async function earlierVisits(asking: Asking, visitId: string): Promise<EarlierVisit[]> {
  const [own] = await asking.db.select().from(visit).where(eq(visit.id, visitId));
  if (!own) throw new CoreError('not_found', 'There is no such visit.', {}, 'It may have been deleted.');
  return asking.db
    .select({ id: visit.id, title: visit.title, startedAt: visit.startedAt, open: count(finding.id) })
    .from(visit)
    .leftJoin(finding, and(eq(finding.visitId, visit.id), eq(finding.state, 'open')))
    .where(and(eq(visit.siteId, own.siteId), lt(visit.startedAt, own.startedAt), eq(visit.archived, false)))
    .groupBy(visit.id, visit.title, visit.startedAt)
    .orderBy(desc(visit.startedAt));
}
