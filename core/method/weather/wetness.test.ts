import fc from 'fast-check';
import type { WeatherHour } from './weather';
import { dryingRate, nextWetness } from './wetness';

const ORDINARY: WeatherHour = {
  temperatureC: 5,
  cloudPct: 50,
  windMs: 2,
  rainMm: 0,
  humidityPct: 75,
  snowCm: null,
  windFromDeg: null,
};

test('ordinary drying weather is the measure: half a day', () => {
  expect(dryingRate(ORDINARY)).toBe(1);
  let wetness = nextWetness(0, { ...ORDINARY, rainMm: 5 });
  expect(wetness).toBe(1);
  for (let h = 0; h < 12; h += 1) wetness = nextWetness(wetness, ORDINARY);
  expect(wetness).toBeCloseTo(0, 12);
});

test('dry air and wind dry faster, damp air slower, within bounds', () => {
  expect(dryingRate({ ...ORDINARY, humidityPct: 50 })).toBeGreaterThan(1);
  expect(dryingRate({ ...ORDINARY, windMs: 8 })).toBeGreaterThan(1);
  expect(dryingRate({ ...ORDINARY, humidityPct: 95 })).toBeLessThan(1);
  expect(dryingRate({ ...ORDINARY, humidityPct: 110 })).toBe(0.25);
  expect(dryingRate({ ...ORDINARY, humidityPct: 5, windMs: 30 })).toBe(3);
});

test('a little rain wets a little, and more rain more', () => {
  const after = (rainMm: number) => nextWetness(0, { ...ORDINARY, rainMm });
  expect(after(0.05)).toBe(0);
  expect(after(0.1)).toBeCloseTo(0.4);
  expect(after(0.4)).toBeGreaterThan(after(0.2));
  expect(after(50)).toBe(1);
});

test('walls are never drier than dry nor wetter than wet', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          rainMm: fc.double({ min: 0, max: 20, noNaN: true }),
          humidityPct: fc.integer({ min: 0, max: 110 }),
          windMs: fc.integer({ min: 0, max: 40 }),
        }),
        { maxLength: 60 },
      ),
      (hours) => {
        let wetness = 0;
        for (const hour of hours) {
          wetness = nextWetness(wetness, { ...ORDINARY, ...hour });
          expect(wetness >= 0 && wetness <= 1).toBe(true);
        }
      },
    ),
  );
});
