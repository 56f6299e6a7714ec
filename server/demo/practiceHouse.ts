import { count, eq, like } from 'drizzle-orm';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { standInWeather } from '@core/method/weather/standIn';
import type { Asking } from '@data/asking';
import { PRACTICE_HOUSE } from '@data/demo/practiceHouse';
import { ensureCamera } from '@data/queries/cameras';
import { createVisit } from '@data/queries/visits';
import * as t from '@data/schema';
import { furnish } from './furnish';

/** Makes a house to practise on, with a visit now: its rooms, its camera, and weather that is made up for this evening. */
export async function makePracticeHouse(asking: Asking, startedAt: number): Promise<string> {
  const { site, template, insideC, humidityPct, ...visit } = PRACTICE_HOUSE;
  const [made] = await asking.db
    .select({ n: count() })
    .from(t.site)
    .where(like(t.site.name, `${site.name}%`));
  const [weather] = standInWeather(site.latitude, site.longitude, startedAt, 1).hours;
  const { visitId, siteId } = await createVisit(asking, {
    ...visit,
    practice: true,
    site: { ...site, name: `${site.name} ${made!.n + 1}` },
    startedAt,
    insideC,
    outsideC: weather!.temperatureC,
    humidityPct,
    rooms: [],
  });
  const { windMs, cloudPct } = weather!;
  await asking.db.update(t.conditions).set({ windMs, cloudPct }).where(eq(t.conditions.visitId, visitId));
  await furnish(asking, siteId, template, site.facades[0]!.azimuth);
  await ensureCamera(asking, STAND_IN_CAMERA.id, STAND_IN_CAMERA.value);
  return visitId;
}
