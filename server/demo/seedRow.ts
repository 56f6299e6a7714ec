import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { NO_SETTINGS } from '@core/method/radiometry/settings';
import { rowIdFrom } from '@core/ground/rowId';
import { emptyFinding } from '@core/model/findingRow';
import { SERVICE_WORDS } from '@core/model/serviceKinds';
import { KINDS } from '@core/model/visitKinds';
import { secondLook } from '@core/work/visit/secondLook';
import { houseScene, ownErrors, sceneCamera } from '@core/work/practice/houseScene';
import { poseFor } from '@core/method/simulate/pinhole';
import type { RoomValue } from '@core/model/roomRow';
import { OPENING_PARTS, stopKeyOf } from '@core/work/round/stops';
import type { Part } from '@core/work/round/parts';
import type { Opening, SurfaceValue } from '@core/model/surfaceRow';
import type { Asking } from '@data/asking';
import { OLD_KILN_ROW as demo, type DemoSurface } from '@data/demo/oldKilnRow';
import { loadVisitDocument } from '@data/queries/document';
import { loadSimulated } from '@data/queries/house';
import { columnsOf } from '@data/rows/write';
import { createVisit } from '@data/queries/visits';
import * as t from '@data/schema';
import { takePicture } from './takePicture';
import { intakeOf } from './intakeOf';
import { walkRound } from './walkRound';

const ROW_CAMERA = ownErrors(demo.camera.name, demo.camera);

function momentOf(time: string, seconds = 0): Date {
  return new Date(`${demo.visit.day}T${time}:${String(seconds).padStart(2, '0')}Z`);
}

/** One evening at No. 2, walked in full: frames of described surfaces, regions, findings, log, kit, put-back list. */
export async function seedRow(asking: Asking): Promise<string> {
  const { conditions } = demo;
  const { visitId, siteId } = await createVisit(asking, {
    practice: true,
    site: demo.site,
    kind: 'heat-loss',
    title: demo.visit.title,
    question: demo.visit.question,
    startedAt: momentOf('19:10').getTime(),
    insideC: conditions.insideC,
    outsideC: conditions.outsideC,
    humidityPct: conditions.humidityPct,
    rooms: [],
  });
  const { windMs, windFromDeg, cloudPct, sunHours, rainHours, heatingHours, airHours } = conditions;
  await asking.db
    .update(t.conditions)
    .set({ windMs, windFromDeg, cloudPct, sunHours, rainHours, heatingHours, airHours })
    .where(eq(t.conditions.visitId, visitId));
  await asking.db.update(t.intake).set(intakeOf(demo.intake)).where(eq(t.intake.visitId, visitId));
  const slot = { slotFrom: momentOf('19:00').getTime(), slotTo: momentOf('21:00').getTime() };
  await asking.db
    .update(t.plan)
    .set({ firstDay: demo.firstDay, ...slot })
    .where(eq(t.plan.visitId, visitId));
  const cameraId = newId();
  await asking.db.insert(t.camera).values({ id: cameraId, ...demo.camera });
  await asking.db.insert(t.instrument).values(demo.instruments.map((instrument) => ({ id: newId(), ...instrument })));
  await asking.db.insert(t.settings).values({ id: newId(), visitId, emissivity: demo.emissivity, reflectedC: demo.reflectedC });

  const roomIds = await addRooms(asking, siteId);
  const surfaces = await addSurfaces(asking, siteId, roomIds);
  await addServices(asking, siteId, roomIds);
  for (const [number, wanted] of demo.frames.entries()) {
    const surface = surfaces.get(wanted.surface)!;
    const pose = poseFor(
      surface.value.widthM,
      { x: surface.value.widthM / 2, y: surface.value.heightM / 2 },
      sceneCamera(demo.camera, ROW_CAMERA),
    );
    const scene = houseScene(
      await loadSimulated(asking, visitId, surface.id),
      sceneCamera(demo.camera, ROW_CAMERA),
      pose,
      number,
    );
    const { frameId, photoId } = await takePicture(asking, visitId, {
      scene,
      stem: `row-${String(number + 1).padStart(3, '0')}`,
      name: wanted.name,
      takenAt: momentOf(wanted.at, 5),
      surfaceId: surface.id,
      surface: surface.value,
      stopKey: stopKeyAt(surface, wanted.stop),
      cameraId,
    });
    await addRegions(asking, visitId, frameId, photoId, wanted);
    if (wanted.again) {
      const simulated = { ...(await loadSimulated(asking, visitId, surface.id)), sealed: true };
      const { name, at } = wanted.again;
      const again = await takePicture(asking, visitId, {
        scene: houseScene(simulated, sceneCamera(demo.camera, ROW_CAMERA), pose, 100 + number),
        stem: `row-${String(number + 1).padStart(3, '0')}-again`,
        name,
        takenAt: momentOf(at, 5),
        surfaceId: surface.id,
        surface: surface.value,
        stopKey: stopKeyAt(surface, wanted.stop),
        cameraId,
      });
      await addSecondLook(asking, visitId, frameId, again.frameId, momentOf(at, 10).getTime());
    }
  }
  const taken = new Set<string | null>([...surfaces.values()].map(({ id }) => id));
  await addRecords(asking, visitId);
  await walkRound(asking, visitId, {
    from: momentOf('19:12'),
    camera: { id: cameraId, value: demo.camera },
    wants: (stop) => stop.part.startsWith('facade'),
    says: (stop) => {
      const said = demo.answers.find(({ title }) => stop.title.includes(title));
      if (said) return { answer: said.answer, reason: said.reason, note: said.note };
      // One frame shows a whole wall with all that is on it.
      return taken.has(stop.surfaceId) ? { answer: 'seen' as const } : undefined;
    },
  });
  return visitId;
}

/** The key of the stop at a surface, or at the first of its openings that has this part. */
function stopKeyAt({ id, value }: { id: string; value: SurfaceValue }, part: Part | null): string | null {
  if (part === null) return null;
  const opening = value.openings.find(({ kind }) => OPENING_PARTS[kind].includes(part));
  return stopKeyOf(opening?.id ?? id, part);
}

async function addRooms(asking: Asking, siteId: string): Promise<Map<string, string>> {
  const rooms = demo.rooms.map((room, ordinal) => {
    const value: RoomValue = { siteId, heightM: 2.4, heated: null, ordinal, ...room };
    return { id: newId(), ...columnsOf('room', value) } as typeof t.room.$inferInsert & { id: string };
  });
  await asking.db.insert(t.room).values(rooms);
  return new Map(rooms.map(({ id, name }) => [name, id]));
}

/** What stands in the rooms, by the walls that are described. */
async function addServices(asking: Asking, siteId: string, roomIds: Map<string, string>): Promise<void> {
  const services = demo.services.map(({ room, ...value }, ordinal) => ({
    id: newId(),
    siteId,
    roomId: roomIds.get(room)!,
    name: SERVICE_WORDS[value.kind],
    ordinal,
    ...value,
  }));
  await asking.db.insert(t.service).values(services);
}

const OPENINGS = { window: 'window', door: 'door' } as const;

/** Openings that a described surface shows. */
function openingsIn({ features }: DemoSurface): Opening[] {
  return features.flatMap((feature): Opening[] => {
    if (feature.kind === 'window' || feature.kind === 'door') {
      const { kind, x, y, width, height } = feature;
      return [{ id: newId(), kind: OPENINGS[kind], x, y, width, height }];
    }
    if (feature.kind !== 'panel' || feature.look !== 'hatch') return [];
    const { x, y, width, height } = feature;
    return [{ id: newId(), kind: 'hatch', x, y, width, height }];
  });
}

async function addSurfaces(asking: Asking, siteId: string, roomIds: Map<string, string>) {
  const described = new Map<DemoSurface, { id: string; value: SurfaceValue }>();
  for (const { surface } of demo.frames) {
    const { name, kind, behind, azimuth, width, height } = surface;
    const ordinal = described.size;
    const value: SurfaceValue = {
      siteId,
      roomId: roomIds.get(surface.room)!,
      name,
      kind,
      azimuth,
      mass: 'brick',
      behind,
      widthM: width,
      heightM: height,
      openings: openingsIn(surface),
      otherSideId: null,
      ordinal,
    };
    described.set(surface, { id: newId(), value });
  }
  const outside = demo.outside.map((facade, i) => {
    const openings: Opening[] = [
      { id: newId(), kind: 'window', x: 1.9, y: 0.8, width: 1.1, height: 1.1 },
      { id: newId(), kind: 'window', x: 1.9, y: 3.2, width: 1.1, height: 1.1 },
    ];
    const kind = 'facade' as const;
    const ordinal = 100 + i;
    return {
      id: newId(),
      siteId,
      roomId: null,
      kind,
      mass: 'brick' as const,
      behind: 'room' as const,
      otherSideId: null,
      ordinal,
      openings,
      ...facade,
    };
  });
  // An outside wall knows the side of the house that it is seen from.
  for (const { value } of described.values()) {
    if (value.behind === 'outside') value.otherSideId = outside.find(({ azimuth }) => azimuth === value.azimuth)?.id ?? null;
  }
  await asking.db
    .insert(t.surface)
    .values([...[...described].map(([{ features }, { id, value }]) => ({ id, ...value, described: features })), ...outside]);
  await asking.db
    .insert(t.settings)
    .values(outside.map(({ id }) => ({ ...NO_SETTINGS, id: newId(), surfaceId: id, emissivity: 0.93 })));
  return described;
}

async function addRecords(asking: Asking, visitId: string): Promise<void> {
  await asking.db
    .insert(t.kit)
    .values({ id: newId(), visitId, items: KINDS['heat-loss'].bring.map((name) => ({ name, packed: true })) });
  await asking.db.insert(t.putBack).values(
    demo.changes.map(({ at, back, ...change }) => ({
      id: newId(),
      visitId,
      ...change,
      changedAt: momentOf(at).getTime(),
      putBackAt: momentOf(back).getTime(),
    })),
  );
  await asking.db.insert(t.log).values({
    id: rowIdFrom(visitId, 'log by hand'),
    visitId,
    name: 'By hand',
    entries: demo.log.map(({ at, ...air }) => ({ at: momentOf(at).getTime(), ...air })),
  });
}

async function addRegions(
  asking: Asking,
  visitId: string,
  frameId: string,
  photoId: string,
  wanted: (typeof demo.frames)[number],
): Promise<void> {
  const rows = wanted.regions.map(({ name, box: [x, y, width, height] }, ordinal) => ({
    id: newId(),
    frameId,
    name,
    ordinal,
    role: 'reading' as const,
    shape: { kind: 'box' as const, x, y, width, height },
  }));
  if (rows.length > 0) await asking.db.insert(t.region).values(rows);
  const idOf = (name: string) => rows.find((row) => row.name === name)!.id;
  const reference = rows.find((row) => row.name.startsWith('sound'));
  await asking.db
    .update(t.frame)
    .set({ referenceId: reference?.id ?? null })
    .where(eq(t.frame.id, frameId));
  if (reference && wanted.name === 'Window wall') {
    await asking.db.update(t.visit).set({ referenceInsideId: reference.id }).where(eq(t.visit.id, visitId));
  }
  const recordedAt = momentOf('20:05', demo.frames.indexOf(wanted)).getTime();
  if (wanted.finding) {
    const { this: one, that, ...said } = wanted.finding;
    const pair = { basis: 'pair' as const, frameId, thisRegionId: idOf(one), thatRegionId: idOf(that), photoId };
    await asking.db.insert(t.finding).values({ id: newId(), ...emptyFinding(visitId, { ...pair, ...said }), recordedAt });
  }
  if (wanted.found) {
    const said = emptyFinding(visitId, { frameId, photoId, ...wanted.found });
    await asking.db.insert(t.finding).values({ id: newId(), ...said, recordedAt });
  }
}

/** Makes a frame the second look at the finding of another. */
async function addSecondLook(asking: Asking, visitId: string, firstId: string, frameId: string, at: number): Promise<void> {
  const document = await loadVisitDocument(asking, visitId);
  const finding = Object.values(document.rows.finding).find(({ value }) => value.frameId === firstId)!;
  const look = secondLook(document, finding, frameId, 'after', newId, at);
  await asking.db.insert(t.region).values(look.regions.map(({ id, value }) => ({ id, ...value })));
  await asking.db.insert(t.exhibit).values({ id: newId(), ...look.exhibit });
}
