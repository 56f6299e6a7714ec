import { errorOf, reference } from '../../testing/material';
import { dayOfYear, facadeBeam, facadeIrradiance, irradiance } from './irradiance';

const near = (value: number, wanted: number) => Math.abs(value - wanted) <= Math.max(2, 0.01 * wanted);

describe('irradiance', () => {
  test('agrees with an independent program, level and on façades', () => {
    let facades = 0;
    for (const { in: given, out } of reference.sun) {
      const light = irradiance(out.altitude_deg, dayOfYear(Date.parse(given.utc)), given.cloud_fraction);
      expect(near(light.global, out.ghi_W_m2)).toBe(true);
      expect(near(light.diffuse, out.dhi_W_m2)).toBe(true);
      if (out.altitude_deg < 3) continue;
      expect(near(light.beam, out.dni_W_m2)).toBe(true);
      const sun = { azimuthDeg: out.azimuth_deg, altitudeDeg: out.altitude_deg };
      for (const [azimuth, watts] of Object.entries(out.facade_W_m2)) {
        expect(near(facadeIrradiance(sun, light, Number(azimuth)), watts)).toBe(true);
        facades += 1;
      }
    }
    expect(facades).toBeGreaterThanOrEqual(48);
  });

  test('is nothing at night, and no beam reaches a wall from behind', () => {
    expect(irradiance(-0.01, 40, 0)).toEqual({ global: 0, diffuse: 0, beam: 0 });
    const light = irradiance(20, 40, 0);
    expect(facadeBeam({ azimuthDeg: 180, altitudeDeg: 20 }, light, 0)).toBe(0);
    expect(facadeBeam({ azimuthDeg: 180, altitudeDeg: 20 }, light, 180)).toBeGreaterThan(400);
  });

  test('falls with cloud, and beam falls faster than the whole', () => {
    const covers = [0, 0.25, 0.5, 0.75, 1].map((cloud) => irradiance(30, 80, cloud));
    for (let i = 1; i < covers.length; i += 1) {
      expect(covers[i]!.global).toBeLessThan(covers[i - 1]!.global);
      expect(covers[i]!.beam / covers[i]!.global).toBeLessThanOrEqual(covers[i - 1]!.beam / covers[i - 1]!.global);
    }
  });

  test('counts days from the first of January and refuses cloud beyond the whole sky', () => {
    expect(dayOfYear(Date.UTC(2027, 0, 1))).toBe(1);
    expect(dayOfYear(Date.UTC(2028, 11, 31, 23))).toBe(366);
    expect(errorOf(() => irradiance(30, 80, 1.2))).toMatchObject({ code: 'out_of_range' });
    expect(errorOf(() => irradiance(30, 80, NaN))).toMatchObject({ code: 'out_of_range' });
  });
});
