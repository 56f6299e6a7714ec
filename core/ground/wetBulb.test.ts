import { CoreError } from './errors';
import { reference } from '../testing/material';
import { wetBulbFromHumidity } from './wetBulb';

describe('the wet bulb', () => {
  const cases = reference.psychrometrics.filter(({ in: given }) => given.RH_pct! > 0);

  test('of the reference', () => {
    expect(cases.length).toBeGreaterThan(5);
    for (const { in: given, out } of cases)
      expect(wetBulbFromHumidity(given.T_air_C!, given.RH_pct! / 100)).toBeCloseTo(out.wet_bulb_C!, 3);
  });

  test('is the air itself when it is saturated, and never above it', () => {
    for (const air of [-10, 0, 20, 35]) {
      expect(wetBulbFromHumidity(air, 1)).toBeCloseTo(air, 4);
      expect(wetBulbFromHumidity(air, 0.3)).toBeLessThan(air);
    }
  });

  test('refuses air without humidity and NaN', () => {
    for (const [air, humidity] of [
      [20, 0],
      [NaN, 0.5],
      [80, 0.5],
      [20, 1.1],
    ] as const)
      expect(() => wetBulbFromHumidity(air, humidity)).toThrow(CoreError);
  });
});
