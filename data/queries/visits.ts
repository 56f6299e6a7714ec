import { count, desc, eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { NewVisit } from '@core/visit/newVisit';
import type { Connection, Database } from '../connection';
import { conditions, finding, frame, room, site, visit } from '../schema';

export interface VisitSummary {
  id: string;
  title: string;
  siteName: string;
  address: string;
  timeZone: string;
  startedAt: Date;
  frames: number;
  findings: number;
}

/** All visits, the newest first. */
export async function listVisits(db: Database): Promise<VisitSummary[]> {
  const frames = db
    .select({ visitId: frame.visitId, n: count().as('frames') })
    .from(frame)
    .groupBy(frame.visitId)
    .as('f');
  const findings = db
    .select({ visitId: finding.visitId, n: count().as('findings') })
    .from(finding)
    .groupBy(finding.visitId)
    .as('g');
  const rows = await db
    .select({
      id: visit.id,
      title: visit.title,
      siteName: site.name,
      address: site.address,
      timeZone: site.timeZone,
      startedAt: visit.startedAt,
      frames: frames.n,
      findings: findings.n,
    })
    .from(visit)
    .innerJoin(site, eq(site.id, visit.siteId))
    .leftJoin(frames, eq(frames.visitId, visit.id))
    .leftJoin(findings, eq(findings.visitId, visit.id))
    .orderBy(desc(visit.startedAt));
  return rows.map((row) => ({ ...row, frames: Number(row.frames ?? 0), findings: Number(row.findings ?? 0) }));
}

/** A site with its rooms and its first visit, whole or not at all. */
export async function createVisit(connection: Connection, wanted: NewVisit): Promise<{ visitId: string; siteId: string }> {
  return connection.transaction(async (tx) => {
    const siteId = newId();
    const visitId = newId();
    await tx.insert(site).values({ id: siteId, name: wanted.siteName, address: wanted.address, timeZone: wanted.timeZone });
    if (wanted.rooms.length > 0) {
      await tx.insert(room).values(wanted.rooms.map((name, ordinal) => ({ id: newId(), siteId, name, ordinal })));
    }
    await tx
      .insert(visit)
      .values({ id: visitId, siteId, title: wanted.title, question: wanted.question, startedAt: new Date(wanted.startedAt) });
    await tx.insert(conditions).values({
      id: newId(),
      visitId,
      insideC: wanted.insideC,
      outsideC: wanted.outsideC,
      humidityPct: wanted.humidityPct,
    });
    return { visitId, siteId };
  });
}
