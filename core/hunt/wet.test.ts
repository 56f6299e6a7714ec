import { dryingOf, meterDays } from './drying';
import { wetOrNot, WETNESS_WORDS } from './wet';

describe('wet or not', () => {
  // 20 °C and 60 %: dew point 12.0 °C, wet bulb 15.2 °C.
  const says = (surfaceC: number, u = 0.2) => wetOrNot(surfaceC, u, 20, 0.6).says;

  test('knows dew point and wet bulb of the room', () => {
    const { dewC, wetBulbC, u } = wetOrNot(15, 0.2, 20, 0.6);
    expect(dewC).toBeCloseTo(12.0, 1);
    expect(wetBulbC).toBeCloseTo(15.1, 0);
    expect(u).toBeGreaterThan(0.5);
    expect(u).toBeLessThan(1.2);
  });

  test('below the dew point it condenses, whatever else', () => {
    expect(says(9)).toBe('condenses');
  });

  test('near the dew point nothing is claimed', () => {
    expect(says(11.5)).toBe('undecided');
    expect(says(12.6)).toBe('undecided');
  });

  test('what dries is never colder than the wet bulb', () => {
    expect(wetOrNot(9, 0.1, 24, 0.3).says).toBe('too-cold');
  });

  test('between wet bulb and air it may be wet, as warm as the air it is not', () => {
    expect(says(15.5)).toBe('may-be-wet');
    expect(says(19.8)).toBe('dry-warm');
    expect(says(25)).toBe('dry-warm');
  });

  test('a less certain surface claims less', () => {
    expect(says(9, 0.1)).toBe('condenses');
    expect(says(9, 2)).toBe('undecided');
  });

  test('air without any water in it is refused, saturated air is not', () => {
    expect(() => wetOrNot(15, 0.2, 20, 0)).toThrow('humidity');
    expect(wetOrNot(15, 0.2, 20, 1).dewC).toBeCloseTo(20, 6);
  });

  test('each has a sentence', () => {
    for (const words of Object.values(WETNESS_WORDS)) expect(words).toMatch(/\.$/);
  });
});

describe('drying', () => {
  const day = 86_400_000;
  const frameId = 'f';
  const at = (days: number, value: number, id = `${days}-${value}`) => ({ id, at: days * day, frameId, x: 1, y: 1, value });
  const dayOf = (moment: number) => String(Math.floor(moment / day));

  test('takes the readings of a frame day by day', () => {
    const days = meterDays([at(3.2, 20), at(0.1, 40), at(0.2, 60), { ...at(0, 99), frameId: 'other' }], frameId, dayOf);
    expect(days.map(({ mean, highest, readings }) => [mean, highest, readings.length])).toEqual([
      [50, 60, 2],
      [20, 20, 1],
    ]);
  });

  test('is told by the means of the first and the last day', () => {
    const of = (...readings: ReturnType<typeof at>[]) => dryingOf(meterDays(readings, frameId, dayOf));
    expect(of(at(0, 50))).toBeNull();
    expect(of(at(0, 50), at(4, 30))).toEqual({ aDay: -5, dries: true });
    expect(of(at(0, 50), at(4, 49))!.dries).toBe(false);
    expect(of(at(0, 50), at(4, 60))).toEqual({ aDay: 2.5, dries: false });
  });
});
