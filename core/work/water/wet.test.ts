import fc from 'fast-check';
import { saturationPressure } from '../../ground/saturation';
import { dryingOf, dryingWords, meterDays } from './drying';
import { wetOrNot, WET_WALLS, WETNESS_WORDS, type Patch } from './wet';
import { patchesFrom, wetAnswer } from './wetDocument';

describe('wet or not', () => {
  // 20 °C and 60 %: dew point 12.0 °C.
  const patch = (change: Partial<Patch> = {}): Patch => ({
    surfaceC: 15,
    surfaceU: 0.2,
    airC: 20,
    humidity: 0.6,
    wall: 'outer',
    behindC: 2,
    coverHeated: false,
    ...change,
  });
  const says = (change: Partial<Patch>) => wetOrNot(patch(change)).says;

  test('knows the dew point and how well', () => {
    const { dewC, dewU } = wetOrNot(patch());
    expect(dewC).toBeCloseTo(12.0, 1);
    expect(dewU).toBeGreaterThan(0.4);
    expect(dewU).toBeLessThan(0.9);
  });

  test('the warmest wet patch is that of a balance: what dries is fed by air, room and what lies behind', () => {
    const { warmestC } = wetOrNot(patch({ wall: 'inner', behindC: null }));
    const vapour = 0.6 * saturationPressure(20);
    const gain = (s: number, convection: number, toBehind: number) =>
      convection * (20 - s) +
      5.5 * (20.5 - s) +
      (21 - s) / toBehind -
      ((0.5 * convection) / 66) * (saturationPressure(s) - vapour);
    // At the warmest one of the balances is even, and none gains.
    const gains = [1.5, 4.5].flatMap((convection) => [0.3, 1].map((toBehind) => gain(warmestC, convection, toBehind)));
    expect(Math.max(...gains)).toBeCloseTo(0, 6);
    expect(Math.min(...gains)).toBeLessThan(-0.1);
  });

  test('below the dew point it condenses, whatever else; near it nothing is claimed', () => {
    expect(says({ surfaceC: 9 })).toBe('condensing');
    expect(says({ surfaceC: 11.9 })).toBe('cannot-say');
  });

  test('a cold outer wall is wet by drying down to its dew point, far below the wet bulb', () => {
    // Wet bulb 15.1 °C.
    expect(says({ surfaceC: 13.3 })).toBe('drying-wet-possible');
  });

  test('an inner wall as warm as its room is not wet; a floor heated from below dries though it is warmer than the air', () => {
    expect(says({ wall: 'inner', behindC: null, surfaceC: 22 })).toBe('not-wet');
    expect(says({ wall: 'floor', behindC: 14, surfaceC: 24 })).toBe('not-wet');
    expect(says({ wall: 'floor', behindC: 14, surfaceC: 24, coverHeated: true })).toBe('drying-wet-possible');
  });

  test('a less certain surface claims less', () => {
    expect(says({ surfaceC: 10.5, surfaceU: 0.2 })).toBe('condensing');
    expect(says({ surfaceC: 10.5, surfaceU: 2 })).toBe('cannot-say');
  });

  test('a colder surface is never called drier', () => {
    const order = ['condensing', 'cannot-say', 'drying-wet-possible', 'not-wet'];
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 30, noNaN: true }),
        fc.double({ min: 0.15, max: 0.98, noNaN: true }),
        fc.double({ min: -5, max: 40, noNaN: true }),
        fc.constantFrom(...WET_WALLS),
        (airC, humidity, surfaceC, wall) => {
          const at = (celsius: number) => order.indexOf(says({ airC, humidity, wall, surfaceC: celsius, behindC: null }));
          expect(at(surfaceC - 3)).toBeLessThanOrEqual(at(surfaceC));
        },
      ),
    );
  });

  test('air without any water in it is refused, saturated air is not', () => {
    expect(() => wetOrNot(patch({ humidity: 0 }))).toThrow('humidity');
    expect(wetOrNot(patch({ humidity: 1 })).dewC).toBeCloseTo(20, 6);
  });

  test('each has a sentence', () => {
    for (const words of Object.values(WETNESS_WORDS)) expect(words).toMatch(/\.$/);
  });

  test('the document is read, answered and refused with its place', () => {
    const one = { surface_c: 9, surface_u: 0.3, air_c: 20, rh: 60, wall: 'outer', behind_c: null, cover_heated: false };
    expect(patchesFrom([one]).map((each) => wetAnswer(wetOrNot(each)))).toEqual([{ verdict: 'condensing' }]);
    expect(() => patchesFrom([{ ...one, rh: 0 }])).toThrow(
      expect.objectContaining({ code: 'bad_input', message: expect.stringContaining('0.rh') }),
    );
    expect(() => patchesFrom({})).toThrow(expect.objectContaining({ code: 'bad_input' }));
  });
});

describe('drying', () => {
  const day = 86_400_000;
  const frameId = 'f';
  const at = (days: number, value: number, x = 1) => ({ id: `${days}-${value}-${x}`, at: days * day, frameId, x, y: 1, value });
  const dayOf = (moment: number) => String(Math.floor(moment / day));
  const of = (...readings: ReturnType<typeof at>[]) => dryingOf(meterDays(readings, frameId, dayOf));

  test('takes the readings of a frame day by day', () => {
    const days = meterDays([at(3.2, 20), at(0.1, 40), at(0.2, 60), { ...at(0, 99), frameId: 'other' }], frameId, dayOf);
    expect(days.map(({ mean, highest, readings }) => [mean, highest, readings.length])).toEqual([
      [50, 60, 2],
      [20, 20, 1],
    ]);
  });

  test('is told by places that were read on both days', () => {
    expect(of(at(0, 50))).toBeNull();
    const dries = of(at(0, 50), at(0, 60, 40), at(4, 30), at(4, 40, 40))!;
    expect(dries).toMatchObject({ aDay: -5, places: 2, says: 'dries' });
    expect(dryingWords(dries)).toMatch(/^It dries: 5\.0 ± \d/);
    expect(of(at(0, 50), at(0, 60, 40), at(4, 70), at(4, 82, 40))!.says).toBe('gets-wetter');
  });

  test('other places on the second day tell nothing, however dry they are', () => {
    expect(of(at(0, 50), at(0, 60, 40), at(4, 10, 90), at(4, 12, 120))).toMatchObject({ says: 'too-few', places: 0, aDay: null });
  });

  test('a change within what readings scatter is none', () => {
    const found = of(at(0, 50), at(0, 60, 40), at(4, 48), at(4, 61, 40))!;
    expect(found.says).toBe('no-change-seen');
    expect(dryingWords(found)).toContain('No change beyond');
  });

  test('of places where nothing changed few are said to dry: readings of one place scatter by a twentieth', () => {
    let [said, seed] = [0, 1];
    const noise = () => {
      seed = (seed * 16_807) % 2_147_483_647;
      return seed / 2_147_483_647 - 0.5;
    };
    const wobble = (value: number) => value * (1 + 0.05 * Math.sqrt(12) * noise());
    for (let k = 0; k < 200; k += 1) {
      const places = [0, 20, 40, 60].map((x) => [at(0, wobble(50), x), at(3, wobble(50), x)] as const);
      if (of(...places.flat())!.says !== 'no-change-seen') said += 1;
    }
    expect(said).toBeLessThan(30);
  });
});
