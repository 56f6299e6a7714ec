import type { VisitDocument } from '../../model/document';
import { ID, visitDocument } from '../../testing/visit';
import { hoursPlanSchema } from '../../method/weather/plan';
import { scoreHours } from '../../method/weather/scoreHours';
import type { WeatherHour } from '../../method/weather/weather';
import type { ConditionsValue } from '../../model/conditionsRow';
import { judgeConditions } from './judgeConditions';

const PLACE = {
  latitude: 51,
  longitude: 0,
  facades: [
    { azimuth: 180, wall: 'brick' as const },
    { azimuth: 0, wall: 'brick' as const },
  ],
};
/** Two hours after midnight, in the dark. */
const NIGHT = Date.UTC(2026, 1, 12, 2);

function documentWith(
  change: Partial<ConditionsValue>,
  strictness: 'usual' | 'strict' = 'usual',
  place: object = PLACE,
): VisitDocument {
  const document = structuredClone(visitDocument());
  Object.assign(document.rows.conditions[ID.conditions]!.value, { windMs: 1, sunHours: 40, rainHours: 60, ...change });
  Object.assign(document.rows.site[document.siteId]!.value, place);
  Object.values(document.rows.plan)[0]!.value.strictness = strictness;
  document.rows.visit[document.visitId]!.value.startedAt = NIGHT;
  return document;
}

describe('the verdict on the conditions', () => {
  test.each([
    [{}, 'good', 'Good to read'],
    [{ insideC: null }, 'unknown', 'Inside and outside not noted'],
    [{ outsideC: 14 }, 'poor', 'Only 6.0 K between inside and outside, frames will be flat and grainy'],
    [{ insideC: 22, outsideC: 36 }, 'good', 'Good to read'],
    [{ rainHours: 3 }, 'care', 'Good inside; outside: walls still wet, about 12 h to dry'],
    [{ windMs: 8 }, 'care', 'Good inside; outside: wind 8.0 m/s'],
    [{ outsideC: 14, rainHours: 1 }, 'poor', 'Only 6.0 K between inside and outside, frames will be flat and grainy'],
  ] as const)('%p', (change, grade, words) => expect(judgeConditions(documentWith(change))).toMatchObject({ grade, words }));

  test('sun stays in the walls that had it: three hours before it stood in the south', () => {
    const evening = documentWith({ sunHours: 3, cloudPct: 0 });
    evening.rows.visit[evening.visitId]!.value.startedAt = Date.UTC(2026, 1, 11, 18);
    const { grade, words, facades } = judgeConditions(evening);
    expect(grade).toBe('care');
    expect(words).toMatch(/^Good inside; south wall still \d\.\d K over the shade/);
    expect(facades.map(({ score }) => score >= 0.75)).toEqual([false, true]);
    // Grazing evening sun of August leaves little in a north wall.
    const august = documentWith({ sunHours: 1, cloudPct: 10 });
    august.rows.visit[august.visitId]!.value.startedAt = Date.UTC(2026, 7, 13, 20);
    const [south, north] = judgeConditions(august).facades.map(({ score }) => score);
    expect(north).toBeGreaterThan(south!);
    // Where nobody said where the house stands, any wall may have had it.
    const unplaced = judgeConditions(documentWith({ sunHours: 3 }, 'usual', { latitude: null, longitude: null }));
    expect(unplaced.facades.every(({ score }) => score < 0.75)).toBe(true);
  });

  test('the strict school wants more', () => {
    expect(judgeConditions(documentWith({ outsideC: 8 })).grade).toBe('good');
    expect(judgeConditions(documentWith({ outsideC: 8 }, 'strict')).grade).not.toBe('good');
  });

  test('nothing noted at all', () => {
    const document = documentWith({});
    document.rows.conditions = {};
    expect(judgeConditions(document)).toEqual({
      grade: 'unknown',
      words: 'Inside and outside not noted',
      inside: null,
      facades: [],
    });
  });
});

describe.each(['usual', 'strict'] as const)('the Hours board says the same of the same weather (%s)', (strictness) => {
  const hour: WeatherHour = {
    temperatureC: 2,
    cloudPct: 100,
    windMs: 1,
    rainMm: 0,
    humidityPct: 75,
    snowCm: null,
    windFromDeg: null,
  };
  test.each([
    [{}, {}],
    [{ temperatureC: 8 }, { outsideC: 8 }],
    [{ temperatureC: 13 }, { outsideC: 13 }],
    [{ windMs: 4 }, { windMs: 4 }],
    [{ windMs: 8 }, { windMs: 8 }],
    [{ windMs: 14 }, { windMs: 14 }],
  ])('%p', (weather, noted) => {
    // Ten even days, so that the walls are in balance.
    const hours = Array.from({ length: 240 }, () => ({ ...hour, ...weather }));
    const plan = hoursPlanSchema.parse({ ...PLACE, timezone: 'Europe/London', inside_c: 20, strictness });
    const board = scoreHours({ start: NIGHT - 239 * 3_600_000, hours, warnings: [] }, plan).hours.at(-1)!;
    const judged = judgeConditions(documentWith({ cloudPct: 100, ...noted }, strictness));
    expect(Math.abs(judged.inside!.score - board.inside.score)).toBeLessThan(0.01);
    judged.facades.forEach(({ score }, k) => expect(Math.abs(score - board.facades[k]!.score)).toBeLessThan(0.05));
  });

  test('rain five hours before', () => {
    const hours = Array.from({ length: 240 }, (_, i) => ({ ...hour, cloudPct: 100, rainMm: i === 234 ? 3 : 0 }));
    const plan = hoursPlanSchema.parse({ ...PLACE, timezone: 'Europe/London', inside_c: 20, strictness });
    const board = scoreHours({ start: NIGHT - 239 * 3_600_000, hours, warnings: [] }, plan).hours.at(-1)!;
    const judged = judgeConditions(documentWith({ cloudPct: 100, rainHours: 5 }, strictness));
    judged.facades.forEach(({ score }, k) => expect(Math.abs(score - board.facades[k]!.score)).toBeLessThan(0.1));
  });
});
