import { asc, eq, inArray, or } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import type { VisitDocument } from '@core/visit/document';
import type { Database } from '../connection';
import * as t from '../schema';
import {
  conditionsRow,
  findingRow,
  frameRow,
  intakeRow,
  photoRow,
  planRow,
  regionRow,
  settingsRowOf,
  siteRow,
  visitRowOf,
} from './rows';

function byId<R extends { id: string }>(rows: R[]): Record<string, R> {
  return Object.fromEntries(rows.map((row) => [row.id, row]));
}

/**
 * Everything of a visit but its pixels.
 *
 * @throws CoreError `not_found`
 */
export async function loadVisitDocument(db: Database, visitId: string): Promise<VisitDocument> {
  const [found] = await db
    .select({ visit: t.visit, site: t.site })
    .from(t.visit)
    .innerJoin(t.site, eq(t.site.id, t.visit.siteId))
    .where(eq(t.visit.id, visitId));
  if (!found) throw new CoreError('not_found', 'There is no such visit.', { value: visitId }, 'Choose a visit from the list.');

  const ofVisit = db.select({ id: t.frame.id }).from(t.frame).where(eq(t.frame.visitId, visitId));
  const regionsOfVisit = db.select({ id: t.region.id }).from(t.region).where(inArray(t.region.frameId, ofVisit));
  const [intakes, plans, conditions, rooms, cameras, frames, photos, regions, settings, findings] = await Promise.all([
    db.select().from(t.intake).where(eq(t.intake.visitId, visitId)),
    db.select().from(t.plan).where(eq(t.plan.visitId, visitId)),
    db.select().from(t.conditions).where(eq(t.conditions.visitId, visitId)),
    db.select().from(t.room).where(eq(t.room.siteId, found.site.id)).orderBy(asc(t.room.ordinal)),
    db.select().from(t.camera),
    db.select().from(t.frame).where(eq(t.frame.visitId, visitId)),
    db.select().from(t.photo).where(eq(t.photo.visitId, visitId)),
    db.select().from(t.region).where(inArray(t.region.frameId, ofVisit)),
    db
      .select()
      .from(t.settings)
      .where(
        or(eq(t.settings.visitId, visitId), inArray(t.settings.frameId, ofVisit), inArray(t.settings.regionId, regionsOfVisit)),
      ),
    db
      .select({ finding: t.finding, pair: t.pair })
      .from(t.finding)
      .innerJoin(t.pair, eq(t.pair.id, t.finding.pairId))
      .where(eq(t.finding.visitId, visitId)),
  ]);
  return {
    visitId,
    siteId: found.site.id,
    rooms: rooms.map((room) => ({ id: room.id, name: room.name, ordinal: room.ordinal })),
    cameras: cameras.map((camera) => ({
      id: camera.id,
      name: camera.name,
      calibrationK: camera.calibrationK,
      uniformityK: camera.uniformityK,
    })),
    frameFacts: Object.fromEntries(
      frames.map((row) => [
        row.id,
        {
          takenAt: row.takenAt.toISOString(),
          fileName: row.fileName,
          width: row.width,
          height: row.height,
          format: row.format,
          sourceUnit: row.sourceUnit,
          basis: row.basis,
          noiseK: row.noiseK,
          minC: row.minC,
          maxC: row.maxC,
          meanC: row.meanC,
          cameraId: row.cameraId,
          pixelsSha: row.pixelsSha,
          thumb: { width: row.thumbWidth, height: row.thumbHeight },
        },
      ]),
    ),
    photoFacts: Object.fromEntries(
      photos.map((row) => [
        row.id,
        { takenAt: row.takenAt.toISOString(), fileName: row.fileName, width: row.width, height: row.height },
      ]),
    ),
    recordedAt: Object.fromEntries(findings.map((row) => [row.finding.id, row.finding.recordedAt.toISOString()])),
    rows: {
      site: byId([siteRow(found.site)]),
      visit: byId([visitRowOf(found.visit)]),
      intake: byId(intakes.map(intakeRow)),
      plan: byId(plans.map(planRow)),
      conditions: byId(conditions.map(conditionsRow)),
      frame: byId(frames.map(frameRow)),
      photo: byId(photos.map(photoRow)),
      region: byId(regions.map(regionRow)),
      settings: byId(settings.map(settingsRowOf)),
      finding: byId(findings.map((row) => findingRow(row.finding, row.pair))),
    },
  };
}
