import { hoursPlanSchema, type HoursPlan } from './plan';
import { facadeReasons, gainReasons, insideReasons, outsideReasons, type FacadeNow, type Now, type Reason } from './reasons';
import type { WeatherHour } from './weather';

const HOUR: WeatherHour = {
  temperatureC: 2,
  cloudPct: 100,
  windMs: 1,
  rainMm: 0,
  humidityPct: 75,
  snowCm: null,
  windFromDeg: null,
};

const plan = (strictness: HoursPlan['strictness']): HoursPlan =>
  hoursPlanSchema.parse({ latitude: 51, longitude: 0, timezone: 'UTC', inside_c: 20, strictness, facades: [] });

/** A still, overcast, cold night, and what is changed of it. */
function now(change: Partial<Now> = {}, hour: Partial<WeatherHour> = {}): Now {
  return {
    hour: { ...HOUR, ...hour },
    sunAltitudeDeg: -3,
    beam: 0,
    skyC: 0,
    differenceK: 18,
    season: 'heated',
    wetness: 0,
    offInside: 0,
    shareInside: 1,
    faceC: 1.5,
    plan: plan('usual'),
    ...change,
  };
}

const words = (reasons: Reason[]) => reasons.map((reason) => reason.words);

describe('reasons for every façade', () => {
  test('a good hour says only how large the difference is', () => {
    expect(outsideReasons(now())).toEqual([{ code: 'difference', factor: 1, words: '18.0 K between inside and outside' }]);
  });

  test.each<[string, Partial<Now>, Partial<WeatherHour>, string]>([
    ['too small a difference', { differenceK: 6 }, {}, 'only 6.0 K between inside and outside, frames will be flat and grainy'],
    ['a cooled house', { season: 'cooled', differenceK: 12 }, {}, '12.0 K warmer outside: faults show warm inside'],
    [
      'dew',
      { faceC: -0.5 },
      { humidityPct: 95, temperatureC: 2 },
      'frost on the walls: they are colder than the air’s frost point',
    ],
    [
      'dew above freezing',
      { faceC: 7 },
      { humidityPct: 97, temperatureC: 9 },
      'dew on the walls: they are colder than the air’s dew point',
    ],
    ['nearly dew', { faceC: 8.8 }, { humidityPct: 97, temperatureC: 9 }, 'walls close to the dew point'],
    ['fog', {}, { humidityPct: 100 }, 'fog: drops between camera and wall take the contrast, and wet it'],
    ['rain', {}, { rainMm: 1.24 }, 'rain, 1.2 mm in the hour'],
    ['snow falling', {}, { rainMm: 0.5, temperatureC: -2 }, 'snow, 0.5 mm in the hour'],
    ['wet walls', { wetness: 0.5 }, { windMs: 2 }, 'walls still wet, about 6 h to dry'],
    ['wind', {}, { windMs: 6.5 }, 'wind 6.5 m/s'],
    ['a clear sky', { skyC: -22.4 }, {}, 'a cold clear sky mirrors in glass and on roofs: keep it out of the frame'],
    ['lying snow', {}, { snowCm: 4 }, '4 cm of snow hides plinth and roof; where it melted tells something'],
    ['the dark', { sunAltitudeDeg: -12 }, {}, 'no daylight for photos'],
  ])('%s is said in words', (_, change, hour, wanted) => {
    expect(words(outsideReasons(now(change, hour)))).toContain(wanted);
  });

  test('rain ends the matter: drying is not spoken of while it falls', () => {
    const reasons = outsideReasons(now({ wetness: 1 }, { rainMm: 2 }));
    expect(reasons.map(({ code }) => code)).toEqual(['difference', 'rain']);
    expect(reasons[1]!.factor).toBe(0);
  });

  test('drizzle that no wall notices is no rain', () => {
    expect(words(outsideReasons(now({}, { rainMm: 0.05 })))).toHaveLength(1);
  });

  test('daylight matters to the strict school only', () => {
    const day = { sunAltitudeDeg: 12 };
    expect(outsideReasons(now(day)).map(({ code }) => code)).not.toContain('daylight');
    expect(outsideReasons(now({ ...day, plan: plan('strict') })).map(({ code }) => code)).toContain('daylight');
  });
});

describe('reasons of one façade', () => {
  const sun = (change: Partial<FacadeNow>): FacadeNow => ({
    wall: 'south wall',
    late: 'the south wall has not followed yet',
    waitH: 0,
    off: 0,
    excessK: 0,
    beam: 0,
    sinceH: Infinity,
    ...change,
  });

  test('a façade in the shade has none', () => {
    expect(facadeReasons(now(), sun({ excessK: 0.9 }))).toEqual([]);
  });

  test('sun on it, and what the sun left in it with the time to wait', () => {
    const inSun = facadeReasons(now(), sun({ beam: 300, excessK: 5, sinceH: 0 }));
    expect(words(inSun)).toEqual(['sun on the south wall', 'south wall still 5.0 K over the shade']);
    expect(inSun[0]!.factor).toBe(0);
    expect(words(facadeReasons(now(), sun({ excessK: 5, sinceH: 2, waitH: 5 })))).toEqual([
      'south wall still 5.0 K over the shade, about 5 h to wait',
    ]);
    expect(words(facadeReasons(now(), sun({ excessK: 1.05, sinceH: 8 })))).toEqual([
      'south wall still 1.1 K over the shade, about 1 h to wait',
    ]);
  });

  test('a wall that never had sun is kept up by daylight', () => {
    expect(words(facadeReasons(now(), sun({ wall: 'north wall', excessK: 2, sinceH: 40 })))[0]).toMatch(
      /^daylight keeps the north wall 2\.0 K up/,
    );
  });

  test('the strict school minds less sun', () => {
    const minded = (strictness: HoursPlan['strictness']) =>
      facadeReasons(now({ plan: plan(strictness) }), sun({ excessK: 0.8, sinceH: 1 })).length;
    expect([minded('usual'), minded('strict')]).toEqual([0, 1]);
  });

  test('a wall that has not followed says so; sun in it is counted once, as what weighs more', () => {
    expect(facadeReasons(now(), sun({ off: 0.35 }))).toEqual([
      { code: 'following', factor: 0.75, words: 'the south wall has not followed yet' },
    ]);
    expect(facadeReasons(now(), sun({ off: 0.9, excessK: 1.5, sinceH: 3 })).map(({ code }) => code)).toEqual(['following']);
    expect(facadeReasons(now(), sun({ off: 0.2, excessK: 4, sinceH: 3 })).map(({ code }) => code)).toEqual(['sun-memory']);
  });
});

describe('reasons inside', () => {
  test('rain and wet walls do not matter, strong wind and sun through windows do', () => {
    expect(insideReasons(now({ wetness: 1 }, { rainMm: 5 }))).toHaveLength(1);
    expect(words(insideReasons(now({}, { windMs: 12 })))).toContain('wind 12.0 m/s: drafts come and go');
    expect(words(insideReasons(now({ sunAltitudeDeg: 20, beam: 500 })))).toContain('sun through windows warms floors and panes');
    expect(insideReasons(now({ sunAltitudeDeg: -1, beam: 500 }))).toHaveLength(1);
  });

  test('walls that have not followed show less, or what was before', () => {
    expect(words(insideReasons(now({ offInside: 1, shareInside: 0.33 })))).toContain('the walls show 33 % of what they will');
    expect(words(insideReasons(now({ offInside: 1, shareInside: 2.7 })))).toContain('the walls still show the weather before');
    expect(insideReasons(now({ offInside: 0.1, shareInside: 0.9 }))).toHaveLength(1);
  });
});

describe('reasons for a look at solar gain', () => {
  test('want sun and no rain', () => {
    expect(gainReasons(now(), 0.4)).toEqual([{ code: 'gain', factor: 0, words: 'no sun' }]);
    expect(gainReasons(now(), 412)[0]).toEqual({ code: 'gain', factor: 1, words: '412 W/m² of sun' });
    expect(gainReasons(now({}, { rainMm: 1 }), 412)[1]).toMatchObject({ code: 'rain', factor: 0 });
  });
});
