import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { KINDS } from '@core/model/visitKinds';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import type { Asking } from '@data/asking';
import { CASA_ALCORNOQUE as casa } from '@data/demo/casaAlcornoque';
import { ensureCamera } from '@data/queries/cameras';
import { createVisit } from '@data/queries/visits';
import * as t from '@data/schema';
import { furnish } from './furnish';
import { intakeOf } from './intakeOf';
import { walkRound } from './walkRound';

const HOUR_MS = 3_600_000;

/** A house that is cooled in August, its round walked in full with the stand-in camera. */
export async function seedCasa(asking: Asking): Promise<void> {
  const { conditions, visit } = casa;
  const { visitId, siteId } = await createVisit(asking, {
    practice: true,
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
  await furnish(asking, siteId, casa.template, 180);
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
