import { eq } from 'drizzle-orm';
import type { Row } from '@core/model/entities';
import { wallOfService } from '@core/model/placeServices';
import type { EmitterFeature } from '@core/method/simulate/features/emitter';
import { practiceAt, type PracticeEvents } from '@core/method/simulate/heating/practice';
import type { Asking } from '../asking';
import type { Connection } from '../connection';
import { emitter, flush, heating, practice, room, service, site, surface, valveTurn, warming } from '../schema';
import { rowFrom } from '../rows/read';

/** Lower edge of a radiator above the floor, m. */
const ABOVE_FLOOR_M = 0.16;

/** Whether the house of a visit has a heating system to practise on. */
export async function hasPractice(tx: Connection, siteId: string): Promise<boolean> {
  const found = await tx.select({ siteId: practice.siteId }).from(practice).where(eq(practice.siteId, siteId));
  return found.length > 0;
}

/**
 * The radiators on a wall as the practised heating system has them now, after all that was done to it on this visit.
 *
 * @returns null where the house has no such system
 */
export async function practisedOn(
  asking: Asking,
  visitId: string,
  siteId: string,
  wall: Row<'surface'>,
): Promise<EmitterFeature[] | null> {
  const { db } = asking;
  const [system] = await db.select().from(practice).where(eq(practice.siteId, siteId));
  if (!system) return null;
  const [services, rooms, walls, [home]] = await Promise.all([
    db.select().from(service).where(eq(service.siteId, siteId)),
    db.select().from(room).where(eq(room.siteId, siteId)),
    db.select().from(surface).where(eq(surface.siteId, siteId)),
    db.select().from(site).where(eq(site.id, siteId)),
  ]);
  const wallRows = walls.map((one) => rowFrom('surface', one));
  const front = rowFrom('site', home!).value.facades[0]?.azimuth ?? 180;
  const here = services.flatMap((one) => {
    const stored = rooms.find(({ id }) => id === one.roomId);
    if (!stored || !system.house.looks[one.id]) return [];
    const own = wallRows.filter(({ value }) => value.roomId === one.roomId);
    const at = wallOfService(one, rowFrom('room', stored).value, own, front);
    return at?.wall.id === wall.id ? [{ id: one.id, alongM: at.alongM }] : [];
  });
  if (here.length === 0) return [];
  const { events, skippedS } = await eventsOf(asking, visitId, siteId);
  const state = practiceAt(system.house, events, Date.now() + 1000 * skippedS);
  return here.map(({ id, alongM }): EmitterFeature => {
    const { widthM, heightM, ...rest } = state.get(id)!;
    const x = Math.max(0.05, Math.min(wall.value.widthM - widthM - 0.05, alongM - widthM / 2));
    return {
      kind: 'emitter',
      ...rest,
      x,
      y: wall.value.heightM - ABOVE_FLOOR_M - heightM,
      width: widthM,
      height: heightM,
    };
  });
}

/** What people did to the heating of a house on a visit. */
async function eventsOf({ db }: Asking, visitId: string, siteId: string): Promise<{ events: PracticeEvents; skippedS: number }> {
  const [[run], turned, warmings, [flushed], found] = await Promise.all([
    db.select().from(heating).where(eq(heating.visitId, visitId)),
    db.select().from(valveTurn).where(eq(valveTurn.visitId, visitId)),
    db.select().from(warming).where(eq(warming.visitId, visitId)),
    db.select().from(flush).where(eq(flush.visitId, visitId)),
    db.select({ emitter }).from(emitter).innerJoin(service, eq(service.id, emitter.serviceId)).where(eq(service.siteId, siteId)),
  ]);
  return {
    skippedS: run?.skippedS ?? 0,
    events: {
      onAt: run?.onAt ?? null,
      found: Object.fromEntries(
        found.flatMap(({ emitter: { serviceId, turns } }) => (turns === null ? [] : [[serviceId, turns] as const])),
      ),
      turned: turned.map(({ serviceId, at, to }) => ({ id: serviceId, at, to })),
      bled: warmings.flatMap(({ serviceId, bledAt }) => (bledAt === null ? [] : [{ id: serviceId, at: bledAt }])),
      agitatedAt: flushed?.steps.agitated ?? null,
      flushedAt: flushed?.steps['both-ways'] ?? null,
    },
  };
}
