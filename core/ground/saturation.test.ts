import type { CoreError } from './errors';
import { errorOf, reference } from '../testing/material';
import { dewPointFromHumidity, saturationPressure, surfaceTemperatureAtHumidity } from './saturation';

describe('moist air', () => {
  test('agrees with the reference', () => {
    expect(reference.psychrometrics.length).toBeGreaterThanOrEqual(12);
    for (const { in: given, out } of reference.psychrometrics) {
      const humidity = given.RH_pct! / 100;
      expect(saturationPressure(given.T_air_C!) / out.p_ws_Pa!).toBeCloseTo(1, 8);
      expect(dewPointFromHumidity(given.T_air_C!, humidity)).toBeCloseTo(out.dew_point_C!, 3);
      expect(surfaceTemperatureAtHumidity(given.T_air_C!, humidity, 0.8)).toBeCloseTo(out.T_surface_for_80pct_C!, 3);
    }
  });

  test('saturated air is at its dew point, drier air below it', () => {
    for (const air of [-20, 0, 20, 60]) {
      expect(dewPointFromHumidity(air, 1)).toBeCloseTo(air, 4);
      expect(dewPointFromHumidity(air, 0.5)).toBeLessThan(air);
    }
  });

  test('more vapour, higher dew point', () => {
    let last = -200;
    for (let humidity = 0.02; humidity <= 1; humidity += 0.02) {
      const dew = dewPointFromHumidity(20, humidity);
      expect(dew).toBeGreaterThan(last);
      last = dew;
    }
  });

  test.each([
    [20, 0],
    [20, 1.01],
    [20, NaN],
    [-90, 0.5],
    [201, 0.5],
  ])('%p °C at %p is refused', (air, humidity) =>
    expect((errorOf(() => dewPointFromHumidity(air, humidity)) as CoreError).code).toBe('out_of_range'),
  );
});
