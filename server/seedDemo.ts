import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { v7 as newId } from 'uuid';
import { renderPhoto } from '@core/simulate/renderPhoto';
import { renderScene } from '@core/simulate/renderScene';
import { writeTiff } from '@core/formats/tiff/write';
import type { Database } from '@data/connection';
import { OLD_KILN_ROW as demo, OTHER_SITES, ROW_LOAN } from '@data/demo/oldKilnRow';
import { createVisit } from '@data/queries/visits';
import * as t from '@data/schema';
import { nodeCodecs } from './codecs';
import { decodeFile } from './decode';
import { importFile } from './importFile';

const PHOTO_WIDTH = 640;

function momentOf(time: string, seconds: number): Date {
  return new Date(`${demo.visit.day}T${time}:${String(seconds).padStart(2, '0')}Z`);
}

/** Makes the demo visit through the same import as everybody's files: simulated frames, their photos, a few regions. */
export async function seedDemo(db: Database, report: (done: number, total: number) => void = () => undefined): Promise<string> {
  const { conditions } = demo;
  const { visitId, siteId } = await createVisit(db, {
    site: demo.site,
    kind: 'heat-loss',
    title: demo.visit.title,
    question: demo.visit.question,
    startedAt: momentOf('19:10', 0).getTime(),
    insideC: conditions.insideC,
    outsideC: conditions.outsideC,
    humidityPct: conditions.humidityPct,
    rooms: demo.rooms,
  });
  const { windMs, sunHours, rainHours } = conditions;
  await db.update(t.conditions).set({ windMs, sunHours, rainHours }).where(eq(t.conditions.visitId, visitId));
  await db.update(t.intake).set(demo.intake).where(eq(t.intake.visitId, visitId));
  await db.update(t.plan).set({ firstDay: demo.firstDay }).where(eq(t.plan.visitId, visitId));
  await seedLoan(db);
  const cameraId = newId();
  await db.insert(t.camera).values({ id: cameraId, ...demo.camera, parts: [], trained: [], checks: [] });
  await db.insert(t.settings).values({ id: newId(), visitId, emissivity: demo.emissivity, reflectedC: demo.reflectedC });
  const rooms = await db.select().from(t.room).where(eq(t.room.siteId, siteId));
  const roomIds = new Map(rooms.map((room) => [room.name, room.id]));

  for (const [number, wanted] of demo.frames.entries()) {
    const stem = `row-${String(number + 1).padStart(3, '0')}`;
    const file = {
      fileName: `${stem}.tif`,
      takenAt: momentOf(wanted.at, 5),
      roomId: roomIds.get(wanted.room) ?? null,
      side: wanted.scene.side,
      bytes: writeTiff(renderScene(wanted.scene), nodeCodecs),
    };
    const frame = await importFile(db, visitId, file, undefined, async (bytes) => decodeFile(bytes));
    const photo = renderPhoto(wanted.scene, PHOTO_WIDTH);
    const jpeg = await sharp(photo.rgb, { raw: { width: photo.width, height: photo.height, channels: 3 } })
      .jpeg({ quality: 86 })
      .toBuffer();
    const picture = await importFile(db, visitId, {
      ...file,
      fileName: `${stem}-photo.jpg`,
      takenAt: momentOf(wanted.at, 9),
      bytes: jpeg,
    });
    await addRegions(db, visitId, cameraId, frame.id, picture.id, wanted);
    report(number + 1, demo.frames.length);
  }
  return visitId;
}

/** The other homes of the row, and the week in which they share the camera. */
async function seedLoan(db: Database): Promise<void> {
  await db.insert(t.site).values(OTHER_SITES.map((site) => ({ id: newId(), ...site })));
  const sites = await db.select().from(t.site);
  const { homes, firstDay, lastDay, ...loan } = ROW_LOAN;
  const loanId = newId();
  await db.insert(t.loan).values({
    id: loanId,
    ...loan,
    strictness: 'usual',
    startsAt: new Date(`${firstDay}T09:00:00Z`),
    endsAt: new Date(`${lastDay}T20:00:00Z`),
  });
  await db.insert(t.loanHome).values(
    homes.map(({ site, evenings, ...home }, ordinal) => ({
      id: newId(),
      loanId,
      siteId: sites.find(({ name }) => name.endsWith(site))!.id,
      ordinal,
      ...home,
      presences: evenings.map((day) => ({ day, from: '17:30', to: '22:00' })),
      facades: null,
    })),
  );
}

async function addRegions(
  db: Database,
  visitId: string,
  cameraId: string,
  frameId: string,
  photoId: string,
  wanted: (typeof demo.frames)[number],
): Promise<void> {
  const rows = wanted.regions.map(({ name, box: [x, y, width, height] }, ordinal) => ({
    id: newId(),
    frameId,
    name,
    ordinal,
    shape: { kind: 'box' as const, x, y, width, height },
  }));
  if (rows.length > 0) await db.insert(t.region).values(rows);
  const idOf = (name: string) => rows.find((row) => row.name === name)!.id;
  const reference = rows.find((row) => row.name.startsWith('sound'));
  await db
    .update(t.frame)
    .set({ name: wanted.name, cameraId, referenceId: reference?.id ?? null })
    .where(eq(t.frame.id, frameId));
  if (reference && wanted.name === 'Window wall') {
    await db.update(t.visit).set({ referenceInsideId: reference.id }).where(eq(t.visit.id, visitId));
  }
  if (wanted.finding) {
    const { title, note } = wanted.finding;
    const pairId = newId();
    await db
      .insert(t.pair)
      .values({ id: pairId, thisRegionId: idOf(wanted.finding.this), thatRegionId: idOf(wanted.finding.that) });
    await db
      .insert(t.finding)
      .values({ id: newId(), visitId, frameId, pairId, photoId, title, note, recordedAt: momentOf('20:05', 0) });
  }
}
