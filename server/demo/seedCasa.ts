import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { surfacesOf } from '@core/house/surfacesOf';
import { templateRooms, TEMPLATES } from '@core/house/templates';
import { KINDS } from '@core/visit/kinds';
import { STAND_IN_CAMERA } from '@core/simulate/standInCamera';
import type { Connection } from '@data/connection';
import { CASA_ALCORNOQUE as casa } from '@data/demo/casaAlcornoque';
import { ensureCamera } from '@data/queries/cameras';
import { roomColumns } from '@data/queries/columns';
import { createVisit } from '@data/queries/visits';
import * as t from '@data/schema';
import { walkRound } from './walkRound';

const HOUR_MS = 3_600_000;

/** A house that is cooled in August, its round walked in full with the stand-in camera. */
export async function seedCasa(db: Connection): Promise<void> {
  const { conditions, visit } = casa;
  const { visitId, siteId } = await createVisit(db, {
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
  const { windMs, sunHours, rainHours } = conditions;
  await db.update(t.conditions).set({ windMs, sunHours, rainHours }).where(eq(t.conditions.visitId, visitId));
  await db.update(t.intake).set(casa.intake).where(eq(t.intake.visitId, visitId));
  const template = TEMPLATES[casa.template];
  const rooms = templateRooms(template, siteId).map((value) => ({ id: newId(), value }));
  const shell = { ...template.shell, mass: 'stone' as const, frontAzimuth: 180 };
  const surfaces = surfacesOf(siteId, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId);
  await db.insert(t.room).values(rooms.map(({ id, value }) => ({ id, ...roomColumns(value) })));
  await db.insert(t.surface).values(surfaces.map(({ id, value }) => ({ id, ...value })));
  await db.insert(t.settings).values({ id: newId(), visitId, emissivity: 0.95, reflectedC: conditions.insideC });
  await db.insert(t.kit).values({
    id: newId(),
    visitId,
    items: KINDS['drafts'].bring.map((name) => ({ name, packed: true })),
  });
  await db.insert(t.putBack).values(
    casa.changes.map((change) => ({
      id: newId(),
      visitId,
      ...change,
      changedAt: new Date(visit.startedAt - HOUR_MS),
      putBackAt: new Date(visit.startedAt + 2 * HOUR_MS),
    })),
  );
  await ensureCamera(db, STAND_IN_CAMERA.id, STAND_IN_CAMERA.value);
  await walkRound(db, visitId, { from: new Date(visit.startedAt), camera: STAND_IN_CAMERA });
}
