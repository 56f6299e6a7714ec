import fc from 'fast-check';
import { errorOf } from '../../testing/material';
import { airTransmittance, vapourDensity } from './airPath';

test('vapour in mild air is what tables say', () => {
  expect(vapourDensity(20, 0.5)).toBeCloseTo(8.6, 1);
  expect(vapourDensity(0, 1)).toBeCloseTo(4.85, 1);
});

test('up to two metres the air is clear, whatever it holds', () => {
  for (const distance of [0.1, 1, 2]) expect(airTransmittance(30, 1, distance)).toEqual({ value: 1, uncertainty: 0 });
});

test('a hundred metres of mild air take about a twentieth, a kilometre four tenths', () => {
  expect(airTransmittance(20, 0.5, 100).value).toBeCloseTo(0.953, 2);
  expect(airTransmittance(20, 0.5, 1000).value).toBeCloseTo(0.615, 2);
});

test('more vapour and more way never let more through; the uncertainty is part of the loss', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -20, max: 45, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0.1, max: 500, noNaN: true }),
      (air, humidity, distance) => {
        const here = airTransmittance(air, humidity, distance);
        expect(here.value).toBeGreaterThan(0);
        expect(here.value).toBeLessThanOrEqual(1);
        expect(airTransmittance(air, humidity, distance * 1.5).value).toBeLessThanOrEqual(here.value);
        expect(airTransmittance(air, Math.min(1, humidity + 0.1), distance).value).toBeLessThanOrEqual(here.value);
        expect(here.uncertainty).toBeCloseTo(0.3 * (1 - here.value), 12);
      },
    ),
  );
});

test('impossible air is refused', () => {
  expect(errorOf(() => airTransmittance(20, 1.2, 5))).toMatchObject({ code: 'out_of_range' });
  expect(errorOf(() => airTransmittance(20, 0.5, 0))).toMatchObject({ code: 'out_of_range' });
});
