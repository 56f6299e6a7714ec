import { errorOf, reference } from '../../testing/material';
import { skyTemperature } from './sky';

test('the sky agrees with an independent program to 0.02 K', () => {
  expect(reference.sky_temperature.length).toBe(10);
  for (const { in: given, out } of reference.sky_temperature)
    expect(Math.abs(skyTemperature(given.T_air_C, given.cloud_fraction) - out.T_sky_C)).toBeLessThan(0.02);
});

test('cloud warms the sky, and it stays colder than the air', () => {
  let before = -Infinity;
  for (const cloud of [0, 0.2, 0.4, 0.6, 0.8, 1]) {
    const sky = skyTemperature(0, cloud);
    expect(sky).toBeGreaterThan(before);
    expect(sky).toBeLessThan(0);
    before = sky;
  }
});

test('no sky for air that nobody breathes', () => {
  expect(errorOf(() => skyTemperature(NaN, 0))).toMatchObject({ code: 'out_of_range' });
  expect(errorOf(() => skyTemperature(0, -0.1))).toMatchObject({ code: 'out_of_range' });
});
