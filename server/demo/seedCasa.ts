import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { usualServices } from '@core/house/placeServices';
import { surfacesOf } from '@core/house/surfacesOf';
import { templateRooms, TEMPLATES } from '@core/house/templates';
import { KINDS } from '@core/visit/kinds';
import { STAND_IN_CAMERA } from '@core/camera/standInCamera';
import type { Asking } from '@data/asking';
import { CASA_ALCORNOQUE as casa } from '@data/demo/casaAlcornoque';
import { ensureCamera } from '@data/queries/cameras';
import { columnsOf } from '@data/rows/write';
import { createVisit } from '@data/queries/visits';
import * as t from '@data/schema';
import { intakeOf } from './intakeOf';
import { walkRound } from './walkRound';

const HOUR_MS = 3_600_000;

/** A house that is cooled in August, its round walked in full with the stand-in camera. */
export async function seedCasa(asking: Asking): Promise<void> {
  const { conditions, visit } = casa;
  const { visitId, siteId } = await createVisit(asking, {
    site: casa.site,
    kind: 'drafts',
    title: visit.title,
    question: visit.question,
    startedAt: visit.startedAt,
    insideC: conditions.insideC,
    outsideC: conditions.outsideC,
    humidityPct: conditions.humidityPct,
    rooms: [],
  });
  const { windMs, windFromDeg, cloudPct, sunHours, rainHours } = conditions;
  await asking.db
    .update(t.conditions)
    .set({ windMs, windFromDeg, cloudPct, sunHours, rainHours })
    .where(eq(t.conditions.visitId, visitId));
  await asking.db.update(t.intake).set(intakeOf(casa.intake)).where(eq(t.intake.visitId, visitId));
  // Settled on the evening on which it was.
  const slot = { slotFrom: visit.startedAt, slotTo: visit.startedAt + 2 * HOUR_MS };
  await asking.db.update(t.plan).set(slot).where(eq(t.plan.visitId, visitId));
  const template = TEMPLATES[casa.template];
  const rooms = templateRooms(template, siteId).map((value) => ({ id: newId(), value }));
  const shell = { ...template.shell, mass: 'stone' as const, frontAzimuth: 180 };
  const surfaces = surfacesOf(siteId, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId);
  await asking.db
    .insert(t.room)
    .values(rooms.map(({ id, value }) => ({ ...(columnsOf('room', value) as typeof t.room.$inferInsert), id })));
  await asking.db.insert(t.surface).values(surfaces.map(({ id, value }) => ({ id, ...value })));
  const services = usualServices(siteId, rooms, surfaces, shell.frontAzimuth, newId);
  await asking.db.insert(t.service).values(services.map(({ id, value }) => ({ id, ...value })));
  await asking.db.insert(t.settings).values({ id: newId(), visitId, emissivity: 0.95, reflectedC: conditions.insideC });
  await asking.db.insert(t.kit).values({
    id: newId(),
    visitId,
    items: KINDS['drafts'].bring.map((name) => ({ name, packed: true })),
  });
  await asking.db.insert(t.putBack).values(
    casa.changes.map((change) => ({
      id: newId(),
      visitId,
      ...change,
      changedAt: visit.startedAt - HOUR_MS,
      putBackAt: visit.startedAt + 2 * HOUR_MS,
    })),
  );
  await ensureCamera(asking, STAND_IN_CAMERA.id, STAND_IN_CAMERA.value);
  await walkRound(asking, visitId, { from: new Date(visit.startedAt), camera: STAND_IN_CAMERA });
}
