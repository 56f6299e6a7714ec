import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { placedAt } from '@core/model/placeServices';
import type { RoomValue } from '@core/model/roomRow';
import { surfacesOf } from '@core/work/house/surfacesOf';
import { rowIdFrom } from '@core/ground/rowId';
import { SIGNAL_HOUSE } from '@core/method/simulate/heating/signalHouse';
import { KINDS } from '@core/model/visitKinds';
import type { Asking } from '@data/asking';
import { RADIATOR_HEIGHT_M, SIGNAL_HOUSE_DEMO as demo } from '@data/demo/signalHouse';
import { ensureCamera } from '@data/queries/cameras';
import { createVisit } from '@data/queries/visits';
import { columnsOf } from '@data/rows/write';
import * as t from '@data/schema';
import { intakeOf } from './intakeOf';

/** A visit to a house whose heating answers: what is turned, bled and let pass shows in the frames of the stand-in camera. */
export async function seedSignal(asking: Asking): Promise<void> {
  const { db } = asking;
  const [site] = await db.select().from(t.site).where(eq(t.site.name, demo.site));
  const siteId = site!.id;
  const { insideC, outsideC, humidityPct, ...weather } = demo.conditions;
  const { visitId } = await createVisit(asking, {
    practice: true,
    site: { id: siteId },
    kind: 'no-heat',
    title: demo.visit.title,
    question: demo.visit.question,
    startedAt: demo.visit.startedAt,
    insideC,
    outsideC,
    humidityPct,
    rooms: [],
  });
  await db.update(t.conditions).set(weather).where(eq(t.conditions.visitId, visitId));
  await db.update(t.intake).set(intakeOf(demo.intake)).where(eq(t.intake.visitId, visitId));
  await db.insert(t.settings).values({ id: newId(), visitId, emissivity: 0.95, reflectedC: insideC });
  await db.insert(t.kit).values({
    id: newId(),
    visitId,
    items: KINDS['no-heat'].bring.map((name) => ({ name, packed: true })),
  });
  const rooms = demo.rooms.map(({ name, kind, storey, plan: [x, y, width, depth] }, ordinal) => {
    const value: RoomValue = { siteId, name, kind, storey, plan: { x, y, width, depth }, heightM: 2.5, heated: null, ordinal };
    return { id: newId(), value };
  });
  await db
    .insert(t.room)
    .values(rooms.map(({ id, value }) => ({ ...(columnsOf('room', value) as typeof t.room.$inferInsert), id })));
  const shell = {
    frontAzimuth: 165,
    mass: 'stone' as const,
    beyond: { front: 'outside', left: 'outside', back: 'outside', right: 'outside' } as const,
    above: 'loft' as const,
    below: 'ground' as const,
  };
  const surfaces = surfacesOf(siteId, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId);
  // Nothing is hidden in its walls: this house is for heating.
  await db.insert(t.surface).values(surfaces.map(({ id, value }) => ({ id, ...value, hidden: [] })));
  const services = demo.rooms.map((one, i) => ({
    one,
    id: newId(),
    place: placedAt(rooms[i]!.value, one.side, one.alongM),
    roomId: rooms[i]!.id,
  }));
  const service = (kind: 'radiator' | 'boiler' | 'cylinder' | 'thermostat', name: string, roomId: string, ordinal: number) => ({
    siteId,
    roomId,
    kind,
    name,
    ordinal,
  });
  const roomNamed = (name: string) => rooms.find(({ value }) => value.name === name)!.id;
  await db
    .insert(t.service)
    .values([
      ...services.map(({ id, place, roomId }) => ({ id, ...service('radiator', 'Radiator', roomId, 0), ...place })),
      { id: newId(), ...service('boiler', 'Boiler', roomNamed('Utility'), 1), x: 3.8, y: 3 },
      { id: newId(), ...service('cylinder', 'Hot water cylinder', roomNamed('Bathroom'), 1), x: 3.5, y: 3.5 },
      { id: newId(), ...service('thermostat', 'Thermostat', roomNamed('Hall'), 1), x: 1.8, y: 2 },
    ]);
  await db.insert(t.emitter).values(
    services.map(({ one, id }) => ({
      id: rowIdFrom(id, 'emitter'),
      serviceId: id,
      order: null,
      build: one.build,
      widthM: one.widthM,
      heightM: RADIATOR_HEIGHT_M,
      ratedW: one.ratedW,
      tail: one.tail,
      exponent: 1.3,
      turns: one.turns,
      turnsOpen: one.turnsOpen,
      sticks: false,
      headOpen: true,
      needW: one.needW,
    })),
  );
  const idOf = new Map(services.map(({ one, id }) => [one.radiator as string, id]));
  await db.insert(t.practice).values({
    siteId,
    house: {
      ...SIGNAL_HOUSE,
      source: { ...SIGNAL_HOUSE.source, setC: demo.flowSetC },
      radiators: SIGNAL_HOUSE.radiators.map((one) => ({ ...one, id: idOf.get(one.id)! })),
      looks: Object.fromEntries(
        services.map(({ one, id }) => [
          id,
          { widthM: one.widthM, heightM: RADIATOR_HEIGHT_M, sludge: one.sludge, flowEnd: one.flowEnd },
        ]),
      ),
    },
  });
  await ensureCamera(asking, STAND_IN_CAMERA.id, STAND_IN_CAMERA.value);
}
