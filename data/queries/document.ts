import { eq, getTableColumns, inArray, or } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import type { VisitDocument } from '@core/visit/document';
import type { Connection } from '../connection';
import * as t from '../schema';
import { loadEarlier } from './earlier';
import {
  cameraRow,
  conditionsRow,
  findingRow,
  frameRow,
  instrumentRow,
  intakeRow,
  kitListRow,
  kitRow,
  logRow,
  materialRow,
  photoRow,
  planRow,
  probeRow,
  putBackRow,
  regionRow,
  roomRow,
  sequenceRow,
  settingsRowOf,
  siteRow,
  stopRow,
  surfaceRow,
  visitRowOf,
} from './rows';

/** In the order in which they were made, which their ids have: the database gives rows in any. */
function inOrder<R extends { id: string }>(rows: R[]): R[] {
  return rows.sort((a, b) => (a.id < b.id ? -1 : 1));
}

function byId<R extends { id: string }>(rows: R[]): Record<string, R> {
  return Object.fromEntries(inOrder(rows).map((row) => [row.id, row]));
}

/**
 * Everything of a visit but its pixels.
 *
 * @throws CoreError `not_found`
 */
export async function loadVisitDocument(db: Connection, visitId: string): Promise<VisitDocument> {
  const [found] = await db
    .select({ visit: t.visit, site: t.site })
    .from(t.visit)
    .innerJoin(t.site, eq(t.site.id, t.visit.siteId))
    .where(eq(t.visit.id, visitId));
  if (!found) throw new CoreError('not_found', 'There is no such visit.', { value: visitId }, 'Choose a visit from the list.');

  const ofVisit = db.select({ id: t.frame.id }).from(t.frame).where(eq(t.frame.visitId, visitId));
  const regionsOfVisit = db.select({ id: t.region.id }).from(t.region).where(inArray(t.region.frameId, ofVisit));
  const surfacesOfSite = db.select({ id: t.surface.id }).from(t.surface).where(eq(t.surface.siteId, found.site.id));
  const { described: _described, ...surfaceColumns } = getTableColumns(t.surface);
  const [intakes, plans, conditions, rooms, surfaces, cameras, instruments, frames, photos, regions, settings, findings] =
    await Promise.all([
      db.select().from(t.intake).where(eq(t.intake.visitId, visitId)),
      db.select().from(t.plan).where(eq(t.plan.visitId, visitId)),
      db.select().from(t.conditions).where(eq(t.conditions.visitId, visitId)),
      db.select().from(t.room).where(eq(t.room.siteId, found.site.id)),
      db.select(surfaceColumns).from(t.surface).where(eq(t.surface.siteId, found.site.id)),
      db.select().from(t.camera),
      db.select().from(t.instrument),
      db.select().from(t.frame).where(eq(t.frame.visitId, visitId)),
      db.select().from(t.photo).where(eq(t.photo.visitId, visitId)),
      db.select().from(t.region).where(inArray(t.region.frameId, ofVisit)),
      db
        .select()
        .from(t.settings)
        .where(
          or(
            eq(t.settings.visitId, visitId),
            inArray(t.settings.surfaceId, surfacesOfSite),
            inArray(t.settings.frameId, ofVisit),
            inArray(t.settings.regionId, regionsOfVisit),
          ),
        ),
      db
        .select({ finding: t.finding, pair: t.pair })
        .from(t.finding)
        .innerJoin(t.pair, eq(t.pair.id, t.finding.pairId))
        .where(eq(t.finding.visitId, visitId)),
    ]);
  const [stops, putBacks, logs, kits, kitLists, recordings, earlier, sequences, probes, materials] = await Promise.all([
    db.select().from(t.stop).where(eq(t.stop.visitId, visitId)),
    db.select().from(t.putBack).where(eq(t.putBack.visitId, visitId)),
    db.select().from(t.log).where(eq(t.log.visitId, visitId)),
    db.select().from(t.kit).where(eq(t.kit.visitId, visitId)),
    db.select().from(t.kitList),
    db.select().from(t.recording).where(eq(t.recording.visitId, visitId)),
    loadEarlier(db, found.visit),
    db.select().from(t.sequence).where(eq(t.sequence.visitId, visitId)),
    db.select().from(t.probe).where(inArray(t.probe.frameId, ofVisit)),
    db.select().from(t.material),
  ]);
  return {
    visitId,
    siteId: found.site.id,
    frameFacts: Object.fromEntries(
      inOrder(frames).map((row) => [
        row.id,
        {
          takenAt: row.takenAt.toISOString(),
          fileName: row.fileName,
          width: row.width,
          height: row.height,
          format: row.format,
          sourceUnit: row.sourceUnit,
          page: row.page,
          offsetK: row.offsetK,
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
      inOrder(photos).map((row) => [
        row.id,
        { takenAt: row.takenAt.toISOString(), fileName: row.fileName, width: row.width, height: row.height },
      ]),
    ),
    recordedAt: Object.fromEntries(findings.map((row) => [row.finding.id, row.finding.recordedAt.toISOString()])),
    recordings: inOrder(recordings).map(({ id, stopKey, takenAt, seconds }) => ({
      id,
      stopKey,
      takenAt: takenAt.toISOString(),
      seconds,
    })),
    earlier,
    rows: {
      room: byId(rooms.map(roomRow)),
      surface: byId(surfaces.map(surfaceRow)),
      stop: byId(stops.map(stopRow)),
      putBack: byId(putBacks.map(putBackRow)),
      log: byId(logs.map(logRow)),
      kit: byId(kits.map(kitRow)),
      kitList: byId(kitLists.map(kitListRow)),
      camera: byId(cameras.map(cameraRow)),
      instrument: byId(instruments.map(instrumentRow)),
      site: byId([siteRow(found.site)]),
      visit: byId([visitRowOf(found.visit)]),
      intake: byId(intakes.map(intakeRow)),
      plan: byId(plans.map(planRow)),
      conditions: byId(conditions.map(conditionsRow)),
      frame: byId(frames.map(frameRow)),
      photo: byId(photos.map(photoRow)),
      sequence: byId(sequences.map(sequenceRow)),
      probe: byId(probes.map(probeRow)),
      material: byId(materials.map(materialRow)),
      region: byId(regions.map(regionRow)),
      settings: byId(settings.map(settingsRowOf)),
      finding: byId(findings.map((row) => findingRow(row.finding, row.pair))),
    },
  };
}
