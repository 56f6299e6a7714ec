import { and, eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import type { SimulatedSurface } from '@core/simulate/houseScene';
import type { Asking } from '../asking';
import { conditions, room, surface, visit } from '../schema';
import { rowFrom } from '../rows/read';

/** Weather of a visit that nobody noted yet: a cold evening. */
const USUAL = { insideC: 20, outsideC: 2, humidityPct: 45 };

/**
 * What the simulator knows of a surface, under the conditions of a visit.
 *
 * @throws CoreError `not_found`
 */
export async function loadSimulated(asking: Asking, visitId: string, surfaceId: string): Promise<SimulatedSurface> {
  const [found] = await asking.db
    .select({ surface, room })
    .from(surface)
    .innerJoin(visit, eq(visit.siteId, surface.siteId))
    .leftJoin(room, eq(room.id, surface.roomId))
    .where(and(eq(surface.id, surfaceId), eq(visit.id, visitId)));
  const [weather] = await asking.db.select().from(conditions).where(eq(conditions.visitId, visitId));
  if (!found) throw new CoreError('not_found', 'There is no such surface.', { value: surfaceId }, 'Reload the page.');
  const { described } = found.surface;
  return {
    id: surfaceId,
    surface: rowFrom('surface', found.surface).value,
    room: found.room && rowFrom('room', found.room).value,
    described,
    weather: {
      insideC: weather?.insideC ?? USUAL.insideC,
      outsideC: weather?.outsideC ?? USUAL.outsideC,
      humidityPct: weather?.humidityPct ?? USUAL.humidityPct,
    },
  };
}
