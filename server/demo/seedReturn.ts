import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import type { RoomValue } from '@core/model/roomRow';
import type { SurfaceValue } from '@core/model/surfaceRow';
import { stopKeyOf } from '@core/work/round/stops';
import { houseScene, ownErrors, sceneCamera } from '@core/work/practice/houseScene';
import { poseFor } from '@core/method/simulate/pinhole';
import { emptyFinding } from '@core/model/findingRow';
import type { Asking } from '@data/asking';
import { OLD_KILN_RETURN as demo, type ReturnedWall } from '@data/demo/oldKilnReturn';
import { ensureCamera } from '@data/queries/cameras';
import { loadSimulated } from '@data/queries/house';
import { createVisit } from '@data/queries/visits';
import { columnsOf } from '@data/rows/write';
import * as t from '@data/schema';
import { takePicture } from './takePicture';

const CAMERA = sceneCamera(STAND_IN_CAMERA.value, ownErrors(STAND_IN_CAMERA.value.name, STAND_IN_CAMERA.value));

/** A home before and after a weekend of works: two visits, the same views. */
export async function seedReturn(asking: Asking): Promise<void> {
  const [site] = await asking.db.select().from(t.site).where(eq(t.site.name, demo.site));
  const siteId = site!.id;
  await ensureCamera(asking, STAND_IN_CAMERA.id, STAND_IN_CAMERA.value);
  const roomIds = new Map<string, string>();
  for (const [ordinal, room] of demo.rooms.entries()) {
    const id = newId();
    roomIds.set(room.name, id);
    const value: RoomValue = { siteId, heightM: 2.7, heated: null, ordinal, ...room };
    await asking.db.insert(t.room).values({ ...(columnsOf('room', value) as typeof t.room.$inferInsert), id });
  }
  const walls = [];
  for (const [ordinal, wall] of demo.walls.entries()) {
    const value: SurfaceValue = {
      siteId,
      roomId: roomIds.get(wall.room)!,
      name: wall.name,
      kind: wall.kind,
      azimuth: 20,
      mass: 'light',
      behind: 'outside',
      widthM: wall.width,
      heightM: wall.height,
      openings: [],
      otherSideId: null,
      ordinal,
    };
    const id = newId();
    await asking.db.insert(t.surface).values({ id, ...value, described: wall.before });
    walls.push({ id, value, wall });
  }
  for (const [shot, when] of (['before', 'after'] as const).entries()) {
    const visitId = await beginVisit(asking, siteId, demo[when]);
    for (const [i, { id, value, wall }] of walls.entries()) {
      const pose = poseFor(value.widthM, { x: value.widthM / 2, y: value.heightM / 2 }, CAMERA);
      const { x, y, aside, farther } = demo.moved;
      const back = {
        aim: { x: pose.aim.x + x, y: pose.aim.y + y },
        distance: pose.distance * farther,
        aside: pose.aside + aside,
      };
      const simulated = { ...(await loadSimulated(asking, visitId, id)), described: wall[when] };
      const { frameId, photoId } = await takePicture(asking, visitId, {
        scene: houseScene(simulated, CAMERA, when === 'before' ? pose : back, 300 + 10 * shot + i),
        stem: `return-${when}-${i + 1}`,
        name: `${wall.room}, ${wall.name.toLowerCase()}`,
        takenAt: new Date(Date.parse(demo[when].at) + (i + 1) * 240_000),
        surfaceId: id,
        surface: value,
        stopKey: stopKeyOf(id, 'wall'),
        cameraId: STAND_IN_CAMERA.id,
      });
      if (when === 'before') await addFinding(asking, visitId, frameId, photoId, wall, Date.parse(demo.before.at) + i * 60_000);
    }
    // A practised look at these walls shows them as they are now.
    if (when === 'after')
      for (const { id, wall } of walls)
        await asking.db.update(t.surface).set({ described: wall.after }).where(eq(t.surface.id, id));
  }
}

async function beginVisit(asking: Asking, siteId: string, visit: (typeof demo)['before']): Promise<string> {
  const { visitId } = await createVisit(asking, {
    practice: true,
    site: { id: siteId },
    kind: 'heat-loss',
    title: visit.title,
    question: visit.question,
    startedAt: Date.parse(visit.at),
    ...visit.air,
    rooms: [],
  });
  await asking.db.update(t.conditions).set(demo.weather).where(eq(t.conditions.visitId, visitId));
  await asking.db.insert(t.settings).values({ id: newId(), visitId, emissivity: 0.95, reflectedC: visit.air.insideC - 0.5 });
  return visitId;
}

async function addFinding(
  asking: Asking,
  visitId: string,
  frameId: string,
  photoId: string,
  wall: ReturnedWall,
  recordedAt: number,
): Promise<void> {
  const rows = wall.regions.map(({ name, box: [x, y, width, height] }, ordinal) => ({
    id: newId(),
    frameId,
    name,
    ordinal,
    role: 'reading' as const,
    shape: { kind: 'box' as const, x, y, width, height },
  }));
  await asking.db.insert(t.region).values(rows);
  const idOf = (wanted: string) => rows.find(({ name }) => name === wanted)!.id;
  await asking.db
    .update(t.frame)
    .set({ referenceId: idOf(wall.finding.that) })
    .where(eq(t.frame.id, frameId));
  const { this: one, that, ...said } = wall.finding;
  const value = emptyFinding(visitId, {
    basis: 'pair',
    frameId,
    thisRegionId: idOf(one),
    thatRegionId: idOf(that),
    photoId,
    ...said,
  });
  await asking.db.insert(t.finding).values({ id: newId(), ...value, recordedAt });
}
