import fc from 'fast-check';
import { errorOf, reference } from '../../testing/material';
import { sunPosition } from './sun';

describe('the sun', () => {
  test('stands where an independent program puts it', () => {
    expect(reference.sun.length).toBeGreaterThanOrEqual(14);
    for (const { in: given, out } of reference.sun) {
      const { azimuthDeg, altitudeDeg } = sunPosition(Date.parse(given.utc), given.lat_deg, given.lon_deg);
      expect(Math.abs(altitudeDeg - out.altitude_deg)).toBeLessThan(0.05);
      const turn = Math.abs(((azimuthDeg - out.azimuth_deg + 540) % 360) - 180);
      expect(turn).toBeLessThan(out.altitude_deg > 75 ? 0.5 : 0.1);
    }
  });

  test('is up all day at 70° north in June and never in December', () => {
    const day = (month: number) =>
      Array.from({ length: 24 }, (_, h) => sunPosition(Date.UTC(2027, month, 21, h), 70, 20).altitudeDeg);
    expect(Math.min(...day(5))).toBeGreaterThan(0);
    expect(Math.max(...day(11))).toBeLessThan(0);
  });

  test('is a position on the sky, whenever and wherever', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 4e12 }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        (time, latitude, longitude) => {
          const { azimuthDeg, altitudeDeg } = sunPosition(time, latitude, longitude);
          expect(azimuthDeg >= 0 && azimuthDeg <= 360).toBe(true);
          expect(altitudeDeg >= -90.01 && altitudeDeg <= 90.01).toBe(true);
        },
      ),
    );
  });

  test.each([
    [91, 0],
    [NaN, 0],
    [0, -181],
  ])('is refused for a place that does not exist: %p, %p', (latitude, longitude) => {
    expect(errorOf(() => sunPosition(0, latitude, longitude))).toMatchObject({ code: 'out_of_range' });
  });
});
