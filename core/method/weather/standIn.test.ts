import { HOUR_MS } from '../../ground/localClock';
import fc from 'fast-check';
import { errorOf } from '../../testing/material';
import { standInWeather } from './standIn';
import { WEATHER_RANGES, type WeatherHour } from './weather';

const meanOf = (latitude: number, month: number) => {
  const { hours } = standInWeather(latitude, 0, Date.UTC(2027, month, 1), 28 * 24);
  return hours.reduce((sum, hour) => sum + hour.temperatureC, 0) / hours.length;
};

describe('weather that stands in for a forecast', () => {
  test('is the same for the same place and hour, whichever stretch is asked for', () => {
    const week = standInWeather(51.2, 1, Date.UTC(2027, 1, 8), 168);
    const later = standInWeather(51.2, 1, Date.UTC(2027, 1, 10, 5, 40), 24);
    expect(later.start).toBe(Date.UTC(2027, 1, 10, 5));
    expect(later.hours).toEqual(week.hours.slice(53, 77));
    expect(standInWeather(48, 1, Date.UTC(2027, 1, 8), 168).hours).not.toEqual(week.hours);
  });

  test('has winters and summers, in both hemispheres', () => {
    expect(meanOf(51, 0)).toBeLessThan(meanOf(51, 6) - 12);
    expect(meanOf(-38, 0)).toBeGreaterThan(meanOf(-38, 6) + 8);
    expect(meanOf(70, 0)).toBeLessThan(meanOf(37, 0));
  });

  test('brings dry and wet, still and windy, clear and grey hours within a winter', () => {
    const { hours } = standInWeather(51.2, 1, Date.UTC(2026, 10, 1), 120 * 24);
    const share = (holds: (hour: WeatherHour) => boolean) => hours.filter(holds).length / hours.length;
    expect(share((hour) => hour.rainMm > 0)).toBeGreaterThan(0.03);
    expect(share((hour) => hour.rainMm > 0)).toBeLessThan(0.3);
    expect(share((hour) => hour.windMs < 3)).toBeGreaterThan(0.3);
    expect(share((hour) => hour.windMs > 6)).toBeGreaterThan(0.02);
    expect(share((hour) => hour.cloudPct < 20)).toBeGreaterThan(0.1);
    expect(share((hour) => hour.cloudPct > 80)).toBeGreaterThan(0.2);
  });

  test('is weather that a reader would take, anywhere at any time', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.integer({ min: 0, max: 4e12 }),
        (latitude, longitude, from) => {
          for (const hour of standInWeather(latitude, longitude, from, 30).hours)
            for (const [key, [low, high]] of Object.entries(WEATHER_RANGES)) {
              const value = hour[key as keyof WeatherHour];
              expect(value === null ? key : value >= low && value <= high).toBe(
                value === null ? (key === 'windFromDeg' ? key : 'snowCm') : true,
              );
            }
        },
      ),
    );
    expect(standInWeather(0, 0, HOUR_MS, 0).hours).toEqual([]);
  });

  test('is not made for places that do not exist', () => {
    expect(errorOf(() => standInWeather(95, 0, 0, 1))).toMatchObject({ code: 'out_of_range' });
    expect(errorOf(() => standInWeather(0, NaN, 0, 1))).toMatchObject({ code: 'out_of_range' });
  });
});
