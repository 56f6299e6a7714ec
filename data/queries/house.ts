import { and, count, eq, isNull, min, max } from 'drizzle-orm';
import { CoreError } from '@core/ground/errors';
import { hiddenIn, type SimulatedSurface } from '@core/work/practice/houseScene';
import type { SimulatedWeather } from '@core/method/simulate/sceneWeather';
import type { Asking } from '../asking';
import { conditions, finding, frame, room, site, surface, visit } from '../schema';
import { rowFrom } from '../rows/read';
import { practisedOn } from './practice';

/** Weather of a visit that nobody noted yet: a still cold evening. */
const USUAL = { insideC: 20, outsideC: 2, humidityPct: 45, windMs: 1 };

/**
 * What the simulator knows of a surface, under the conditions of a visit. What chance hides in it is drawn at the first look
 * and stays, whatever later versions would draw.
 *
 * @throws CoreError `not_found`, `conflict` in a real visit
 */
export async function loadSimulated(asking: Asking, visitId: string, surfaceId: string): Promise<SimulatedSurface> {
  const [[found], [storeys], closed] = await Promise.all([
    asking.db
      .select({ surface, room, site, conditions, startedAt: visit.startedAt, practice: visit.practice })
      .from(surface)
      .innerJoin(visit, eq(visit.siteId, surface.siteId))
      .innerJoin(site, eq(site.id, surface.siteId))
      .leftJoin(room, eq(room.id, surface.roomId))
      .leftJoin(conditions, eq(conditions.visitId, visit.id))
      .where(and(eq(surface.id, surfaceId), eq(visit.id, visitId))),
    asking.db
      .select({ lowest: min(room.storey), highest: max(room.storey), rooms: count() })
      .from(room)
      .innerJoin(visit, eq(visit.siteId, room.siteId))
      .where(eq(visit.id, visitId)),
    asking.db
      .select({ stopKey: finding.stopKey, surfaceId: frame.surfaceId })
      .from(finding)
      .leftJoin(frame, eq(frame.id, finding.frameId))
      .where(and(eq(finding.visitId, visitId), eq(finding.state, 'closed'))),
  ]);
  if (!found) throw new CoreError('not_found', 'There is no such surface.', { value: surfaceId }, 'Reload the page.');
  if (!found.practice)
    throw new CoreError(
      'conflict',
      'This is a real visit: no stand-in camera sees its house.',
      { value: visitId },
      'Bring frames of your own camera, or practise on a made-up house.',
    );
  const [lowest, highest] = [storeys?.lowest ?? 0, storeys?.highest ?? 0];
  const value = rowFrom('surface', found.surface).value;
  const names = [surfaceId, ...value.openings.map(({ id }) => id)];
  const simulated = {
    id: surfaceId,
    surface: value,
    sealed: closed.some((one) => one.surfaceId === surfaceId || names.some((name) => one.stopKey?.startsWith(`${name}:`))),
    room: found.room && rowFrom('room', found.room).value,
    described: found.surface.described,
    storeys: { lowest, count: highest - lowest + 1 },
    weather: weatherOf(found.conditions, found.site, found.startedAt),
    emitters: await practisedOn(asking, visitId, found.site.id, { id: surfaceId, version: 1, value }),
  };
  return { ...simulated, hidden: found.surface.hidden ?? (await hide(asking, simulated)) };
}

/** Draws what is hidden in a surface and keeps it; whoever came first has drawn it. */
async function hide(asking: Asking, simulated: Omit<SimulatedSurface, 'hidden'>): Promise<SimulatedSurface['hidden']> {
  const drawn = hiddenIn(simulated);
  await asking.db
    .update(surface)
    .set({ hidden: drawn })
    .where(and(eq(surface.id, simulated.id), isNull(surface.hidden)));
  const [kept] = await asking.db.select({ hidden: surface.hidden }).from(surface).where(eq(surface.id, simulated.id));
  return kept?.hidden ?? drawn;
}

function weatherOf(
  noted: typeof conditions.$inferSelect | null,
  { latitude, longitude }: Pick<typeof site.$inferSelect, 'latitude' | 'longitude'>,
  at: number,
): SimulatedWeather {
  return {
    insideC: noted?.insideC ?? USUAL.insideC,
    outsideC: noted?.outsideC ?? USUAL.outsideC,
    humidityPct: noted?.humidityPct ?? USUAL.humidityPct,
    windMs: noted?.windMs ?? USUAL.windMs,
    windFromDeg: noted?.windFromDeg ?? null,
    cloudPct: noted?.cloudPct ?? null,
    sun: latitude === null || longitude === null ? null : { latitude, longitude, at },
    sunHours: noted?.sunHours ?? null,
  };
}
