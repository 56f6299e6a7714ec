import * as format from './format';
import { bareTemperature, difference, number, plusMinus, signedDifference, temperature } from './format';
import { localDay, localTime } from './localTime';
import {
  celsiusConversion,
  celsiusFromFahrenheit,
  fahrenheitDifferenceFromKelvin,
  fahrenheitFromCelsius,
  type TemperatureUnit,
} from './temperature';

describe('temperature units', () => {
  const asCelsius = (value: number, unit: TemperatureUnit) => {
    const { scale, offset } = celsiusConversion(unit);
    return value * scale + offset;
  };

  test('meet at known points', () => {
    expect(asCelsius(212, 'F')).toBeCloseTo(100, 10);
    expect(asCelsius(-40, 'F')).toBeCloseTo(-40, 10);
    expect(asCelsius(273.15, 'K')).toBeCloseTo(0, 10);
    expect(asCelsius(29315, 'cK')).toBeCloseTo(20, 10);
    expect(asCelsius(7, 'C')).toBe(7);
  });

  test('a temperature goes to °F and back, a difference has no offset', () => {
    for (const celsius of [-150, -40, 0, 20.6, 400])
      expect(celsiusFromFahrenheit(fahrenheitFromCelsius(celsius))).toBeCloseTo(celsius, 9);
    expect(fahrenheitDifferenceFromKelvin(10)).toBe(18);
    expect(fahrenheitFromCelsius(10)).toBe(50);
  });
});

describe('numbers for people', () => {
  test('have a real minus and never a minus zero', () => {
    expect(number(-5.24, 1)).toBe('−5.2');
    expect(number(-0.04, 1)).toBe('0.0');
    expect(number(0.95, 2)).toBe('0.95');
  });

  test('carry their unit', () => {
    expect(temperature(18.94)).toBe('18.9 °C');
    expect(temperature(20, 'F')).toBe('68.0 °F');
    expect(bareTemperature(20, 'F')).toBe('68.0');
    expect(difference(-5.2)).toBe('−5.2 K');
    expect(difference(-5, 'F')).toBe('−9.0 °F');
    expect(signedDifference(6)).toBe('+6.0 K');
    expect(signedDifference(-6)).toBe('−6.0 K');
    expect(signedDifference(0.01)).toBe('0.0 K');
  });

  test('± is twice the standard uncertainty and never vanishes', () => {
    expect(plusMinus(0.15)).toBe('± 0.3');
    expect(plusMinus(0.15, 'F')).toBe('± 0.5');
    expect(plusMinus(0.01)).toBe('± < 0.1');
    expect(plusMinus(0)).toBe('± 0.0');
  });
});

describe('local time', () => {
  test('is what a clock on the site shows, across summer time', () => {
    expect(localTime('2026-02-11T19:14:00Z', 'Europe/London')).toBe('19:14');
    expect(localTime('2026-07-11T19:14:00Z', 'Europe/London')).toBe('20:14');
    expect(localTime('2026-02-11T00:05:00Z', 'Europe/London')).toBe('00:05');
    expect(localDay('2026-02-11T23:30:00Z', 'Australia/Sydney')).toBe('12 Feb 2026');
  });
});

test.each([
  ['date', '3 Feb 2026'],
  ['shortest', 'Tue 3'],
  ['short', 'Tue 3 Feb'],
  ['long', 'Tuesday 3 February'],
  ['weekday', 'Tuesday'],
] as const)('a day is written %s as %s, by the calendar of its place', (style, words) => {
  const beforeMidnight = Date.UTC(2026, 1, 2, 23, 30);
  expect(localDay(beforeMidnight, 'Europe/Berlin', style).replace(',', '')).toBe(words);
  expect(localDay(new Date(beforeMidnight).toISOString(), 'Europe/Berlin', style).replace(',', '')).toBe(words);
});

test('a zone that is none, and no moment, are refused', () => {
  expect(() => localTime(0, 'Nowhere/Land')).toThrow(RangeError);
  expect(() => localDay(NaN, 'UTC')).toThrow(RangeError);
});

describe('how sure a value is', () => {
  const spread = (value: number, total: number, interval: [number, number], unit?: 'C' | 'F') =>
    format.spread(value, { total, interval }, unit);

  test('is ± where its limits lie evenly, both limits where not, and nothing where one has no end', () => {
    expect(spread(18, 0.5, [17, 19])).toBe('± 1.0');
    expect(spread(18, 0.5, [16.9, 19.1])).toBe('± 1.0');
    expect(spread(30, 4, [18, 34])).toBe('−12.0 / +4.0');
    expect(spread(30, 4, [18, 34], 'F')).toBe('−21.6 / +7.2');
    expect(spread(30, 4, [-Infinity, 34])).toBe(format.CANNOT_BE_READ);
    expect(spread(18, 0.03, [17.95, 18.08])).toBe('± 0.1');
  });
});
