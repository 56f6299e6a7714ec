import { HOUR_MS } from '../../ground/localClock';
import { errorOf, februaryWeek } from '../../testing/material';
import { hoursPlanSchema, type Facade, type HoursPlan } from './plan';
import { readWeather } from './readWeather';
import { scoreHours, type HourScore } from './scoreHours';
import { type Weather, type WeatherHour } from './weather';
import { nextWetness } from './wetness';

const STILL: WeatherHour = {
  temperatureC: 0,
  cloudPct: 0,
  windMs: 1,
  rainMm: 0,
  humidityPct: 75,
  snowCm: null,
  windFromDeg: null,
};
const NORTH_SOUTH: Facade[] = [
  { azimuth: 0, wall: 'brick' },
  { azimuth: 180, wall: 'brick' },
];

function plan(change: Partial<HoursPlan> = {}): HoursPlan {
  return hoursPlanSchema.parse({
    latitude: 51,
    longitude: 0,
    timezone: 'Europe/London',
    inside_c: 20,
    facades: NORTH_SOUTH,
    ...change,
  });
}

/** Weather that is the same all the time but for what a function of the hour changes. */
function weather(
  count: number,
  change: (hour: number) => Partial<WeatherHour> = () => ({}),
  start = Date.UTC(2027, 1, 9),
): Weather {
  return { start, hours: Array.from({ length: count }, (_, i) => ({ ...STILL, ...change(i) })), warnings: [] };
}

/** Eight in the evening of the second day. */
const EVENING = 44;
const evening = (change: Partial<WeatherHour>, by: Partial<HoursPlan> = {}): HourScore =>
  scoreHours(
    weather(EVENING + 1, (i) => ({
      cloudPct: 100,
      // Walls follow the air only in a day or two: a mild evening is one of a mild week.
      ...(i === EVENING ? change : change.temperatureC === undefined ? {} : { temperatureC: change.temperatureC }),
    })),
    plan(by),
  ).hours[EVENING]!;
const codes = (score: { reasons: { code: string }[] }) => score.reasons.map(({ code }) => code);

describe('scores of hours', () => {
  const good = evening({});

  test('a still cold evening is as good as it gets', () => {
    expect(good.inside.score).toBe(1);
    expect(good.facades[0]!.score).toBeGreaterThan(0.95);
    expect(good.inside).toMatchObject({ differenceK: 20, forNumbers: true });
    expect(good.inside.smallestFaultWm2K).toBeCloseTo(0.5 / (0.13 * 20), 10);
  });

  test.each<[string, Partial<WeatherHour>, string]>([
    ['wind', { windMs: 7 }, 'wind'],
    ['rain', { rainMm: 1 }, 'rain'],
    ['a mild evening', { temperatureC: 13 }, 'difference'],
  ])('%s ranks below it, for that reason', (_, change, code) => {
    const worse = evening(change).facades[0]!;
    expect(worse.score).toBeLessThan(good.facades[0]!.score - 0.3);
    expect(worse.reasons[0]!.code).toBe(code);
  });

  test('sun ranks below it, for that reason, and the south wall remembers for hours what the north wall never had', () => {
    const { hours } = scoreHours(weather(48), plan());
    const noon = hours[36]!.facades;
    expect(codes(noon[1]!)[0]).toMatch(/^sun/);
    expect(noon[1]!.score).toBe(0);
    expect(noon[0]!.score).toBeGreaterThan(noon[1]!.score + 0.2);
    const evening = hours[42]!.facades;
    expect(evening[1]!.sunExcessK).toBeGreaterThan(evening[0]!.sunExcessK + 2);
    expect(evening[1]!.score).toBeLessThan(0.5 * evening[0]!.score);
    const words = hours[42]!.facades[1]!.reasons.map((reason) => reason.words);
    expect(words).toContainEqual(expect.stringMatching(/^south wall still \d+\.\d K over the shade, about \d+ h to wait$/));
  });

  test('stone keeps the sun longer than brick, brick longer than light walls, and all longer where somebody says so', () => {
    const night = (wall: Facade['wall'], by: Partial<HoursPlan> = {}) => {
      const { hours } = scoreHours(weather(48), plan({ facades: [{ azimuth: 180, wall }], ...by }));
      return hours[44]!.facades[0]!.sunExcessK / hours[41]!.facades[0]!.sunExcessK;
    };
    expect(night('light')).toBeLessThan(0.2);
    expect(night('brick')).toBeGreaterThan(night('light') + 0.2);
    expect(night('stone')).toBeGreaterThan(night('brick'));
    expect(night('brick', { time_constants_h: { light: 0.7, brick: 6, stone: 5.5 } })).toBeGreaterThan(night('brick') + 0.05);
  });

  test('after a front numbers wait until the walls have followed', () => {
    const { hours } = scoreHours(
      weather(24 * 8, (i) => ({ cloudPct: 100, temperatureC: i < 72 ? 16 : 1 })),
      plan(),
    );
    expect(hours[74]!.inside).toMatchObject({ differenceK: 19, forNumbers: false });
    expect(codes(hours[74]!.inside)[0]).toBe('following');
    expect(hours[74]!.inside.score).toBeLessThan(0.75);
    expect(hours.at(-1)!.inside).toMatchObject({ forNumbers: true, score: 1 });
  });

  test('an hour has its own season: no flip of the whole week at a mean that equals the inside', () => {
    for (const mean of [23.9, 24.1]) {
      const { hours } = scoreHours(
        weather(96, (i) => ({
          temperatureC: mean - 12 * Math.cos((2 * Math.PI * (i - 4)) / 24),
          cloudPct: 100,
          humidityPct: 20,
        })),
        plan({ inside_c: 24, facades: [{ azimuth: 0, wall: 'light' }] }),
      );
      expect(hours[76]).toMatchObject({ season: 'heated' });
      expect(hours[88]).toMatchObject({ season: 'cooled' });
      expect(hours[77]!.inside.score).toBeGreaterThan(0.5);
      expect(hours[89]!.inside.score).toBeGreaterThan(0.5);
    }
  });

  test('undercooled walls in moist air are wet or white, fog spoils façades and leaves the inside alone', () => {
    const clear = scoreHours(
      weather(96, () => ({ temperatureC: -3, humidityPct: 97, windMs: 0.5 })),
      plan({ facades: [{ azimuth: 0, wall: 'light' }] }),
    ).hours[76]!;
    expect(codes(clear.facades[0]!)).toContain('dew');
    expect(clear.facades[0]!.score).toBeLessThan(0.75);
    const fog = evening({ humidityPct: 100 });
    expect(codes(fog.facades[0]!)).toContain('fog');
    expect(fog.facades[0]!.score).toBeLessThan(0.5);
    expect(fog.inside.score).toBe(1);
  });

  test('in the southern hemisphere it is the north wall', () => {
    const { hours } = scoreHours(
      weather(48, () => ({}), Date.UTC(2027, 6, 9)),
      plan({ latitude: -36.8, longitude: 174.8, timezone: 'Pacific/Auckland' }),
    );
    const most = (k: number) => Math.max(...hours.map(({ facades }) => facades[k]!.sunExcessK));
    expect(most(0)).toBeGreaterThan(3 * most(1));
  });

  test('polar night has no sun anywhere, polar day never leaves the walls', () => {
    const at70 = (month: number) =>
      scoreHours(
        weather(48, () => ({}), Date.UTC(2027, month, 21)),
        plan({ latitude: 70 }),
      ).hours;
    expect(Math.max(...at70(11).flatMap(({ facades }) => facades.map(({ sunExcessK }) => sunExcessK)))).toBe(0);
    expect(
      Math.min(
        ...at70(5)
          .slice(24)
          .flatMap(({ facades }) => facades.map(({ sunExcessK }) => sunExcessK)),
      ),
    ).toBeGreaterThan(1);
  });

  test('a cooled house turns the season round', () => {
    const result = scoreHours(
      weather(48, (i) => ({ temperatureC: i % 24 > 10 && i % 24 < 20 ? 38 : 26, cloudPct: 100 }), Date.UTC(2027, 7, 3)),
      plan({ latitude: 37, inside_c: 25, timezone: 'Europe/Madrid' }),
    );
    expect(result.season).toBe('cooled');
    expect(result.hours[40]!.inside).toMatchObject({ differenceK: 13 });
    expect(result.hours[40]!.inside.score).toBeGreaterThan(0.5);
    expect(result.hours[27]!.inside.score).toBe(0);
    expect(result.hours[40]!.inside.reasons.map(({ words }) => words)).toContain(
      '13.0 K warmer outside: faults show warm inside',
    );
  });

  test('walls dry in about half a day of ordinary weather, faster in wind, slower in fog', () => {
    const dry = (after: Partial<WeatherHour>) => {
      let wetness = nextWetness(0, { ...STILL, rainMm: 2 });
      let hours = 0;
      for (; wetness > 0; hours += 1) wetness = nextWetness(wetness, { ...STILL, ...after });
      return hours;
    };
    expect(dry({ windMs: 2 })).toBe(12);
    expect(dry({ windMs: 6, humidityPct: 50 })).toBeLessThan(6);
    expect(dry({ humidityPct: 100 })).toBe(48);
    const { hours } = scoreHours(
      weather(30, (i) => ({ cloudPct: 100, rainMm: i === 3 ? 2 : 0 })),
      plan(),
    );
    expect(codes(hours[6]!.facades[0]!)).toContain('wet');
    expect(hours[6]!.dryForH).toBe(3);
    expect(hours[2]!.dryForH).toBeNull();
    expect(hours[3]!.inside.score).toBe(1);
  });

  test('the strict school wants more: darkness, 15 K, no sun at all', () => {
    const noon = (strictness: HoursPlan['strictness']) =>
      scoreHours(
        weather(48, () => ({ cloudPct: 100, temperatureC: 8 })),
        plan({ strictness }),
      ).hours[36]!;
    expect(noon('usual').facades[0]!.score).toBeGreaterThan(0.5);
    expect(noon('strict').facades[0]!.score).toBeLessThan(0.25);
    expect(codes(noon('strict').facades[0]!)).toContain('daylight');
  });

  test('a look at solar gain wants the sun that a survey avoids', () => {
    const { hours } = scoreHours(weather(48), plan({ purpose: 'solar-gain' }));
    expect(hours[36]!.facades[1]!.score).toBe(1);
    expect(hours[36]!.facades[0]!.score).toBe(0);
    expect(hours[EVENING]!.facades[1]!.score).toBe(0);
  });

  test('clear sky and lying snow are said; scores stay within 0 and 1 over a real week', () => {
    const { hours } = scoreHours(
      weather(48, () => ({ snowCm: 5 })),
      plan(),
    );
    expect(codes(hours[EVENING]!.facades[0]!)).toEqual(expect.arrayContaining(['clear-sky', 'snow', 'photos']));
    const week = scoreHours(readWeather(februaryWeek), plan());
    expect(week.hours).toHaveLength(168);
    for (const { inside, facades } of week.hours)
      for (const { score, reasons } of [inside, ...facades]) {
        expect(score >= 0 && score <= 1).toBe(true);
        expect(codes({ reasons })).toContain('difference');
        expect(score).toBeCloseTo(
          reasons.reduce((product, { factor }) => product * factor, 1),
          12,
        );
      }
  });

  test('nothing to score is refused', () => {
    expect(errorOf(() => scoreHours(weather(0), plan()))).toMatchObject({ code: 'empty_file' });
    expect(hoursPlanSchema.safeParse({ ...plan(), latitude: 97 }).success).toBe(false);
    expect(hoursPlanSchema.safeParse({ ...plan(), timezone: 'Mars/Olympus' }).success).toBe(false);
    expect(hoursPlanSchema.safeParse({ ...plan(), facades: [{ azimuth: 360, wall: 'brick' }] }).success).toBe(false);
  });

  test('hours follow each other by one hour', () => {
    const { hours } = scoreHours(weather(5), plan());
    expect(hours.map(({ time }) => (time - hours[0]!.time) / HOUR_MS)).toEqual([0, 1, 2, 3, 4]);
  });
});

describe('rain with wind', () => {
  const rainy = (windFromDeg: number | null, windMs = 5) =>
    Array.from({ length: 48 }, (_, i) => ({
      ...STILL,
      cloudPct: 100,
      temperatureC: 5,
      windMs,
      windFromDeg,
      rainMm: i === 30 ? 0.6 : 0,
    }));
  const plan = hoursPlanSchema.parse({
    latitude: 51,
    longitude: 0,
    timezone: 'UTC',
    inside_c: 20,
    facades: [0, 180].map((azimuth) => ({ azimuth, wall: 'brick' })),
  });
  const wetAfter = (windFromDeg: number | null, windMs?: number) =>
    scoreHours({ start: Date.UTC(2026, 0, 10), hours: rainy(windFromDeg, windMs), warnings: [] }, plan).hours[33]!.facades.map(
      ({ reasons }) => reasons.find(({ code }) => code === 'wet')?.factor ?? 1,
    );

  test('wets the side that it is driven on, and leaves its lee', () => {
    const [north, south] = wetAfter(180) as [number, number];
    expect(south).toBeLessThan(north);
    expect(wetAfter(0)[0]).toBeCloseTo(south, 9);
  });

  test('without direction or wind, all sides are as wet', () => {
    for (const [north, south] of [wetAfter(null), wetAfter(180, 1)] as [number, number][]) expect(north).toBe(south);
  });
});

describe('heated or cooled, as somebody says', () => {
  const plan = (season: 'weather' | 'heated' | 'cooled') =>
    hoursPlanSchema.parse({ latitude: 51, longitude: 0, timezone: 'UTC', inside_c: 22, season, facades: [] });
  const hours = [10, 22, 34].flatMap((temperatureC) => Array.from({ length: 30 }, () => ({ ...STILL, temperatureC })));
  const scored = (season: 'weather' | 'heated' | 'cooled') => scoreHours({ start: 0, hours, warnings: [] }, plan(season));

  test('hours of the other season are worth nothing, and say so', () => {
    const [byHour, heated, cooled] = [scored('weather'), scored('heated'), scored('cooled')];
    expect([25, 85].map((i) => byHour.hours[i]!.season)).toEqual(['heated', 'cooled']);
    expect([heated.season, cooled.season]).toEqual(['heated', 'cooled']);
    expect([25, 85].map((i) => heated.hours[i]!.inside.differenceK)).toEqual([12, 0]);
    expect([25, 85].map((i) => cooled.hours[i]!.inside.differenceK)).toEqual([0, 12]);
    expect(heated.hours[85]!.inside.score).toBe(0);
    expect(heated.hours[85]!.inside.reasons[0]!.words).toBe('as warm outside as inside, or more: nothing shows');
  });
});
