import { HOUR_MS } from '../../ground/localClock';
import { februaryWeek } from '../../testing/material';
import { bestSlots, headline } from './bestSlots';
import { gradeOf } from './rated';
import { hoursPlanSchema, type HoursPlan } from './plan';
import { readWeather } from './readWeather';
import { scoreHours } from './scoreHours';
import { type WeatherHour } from './weather';

const plan: HoursPlan = hoursPlanSchema.parse({
  latitude: 51,
  longitude: 0,
  timezone: 'Europe/London',
  inside_c: 20,
  facades: [0, 90, 180, 270].map((azimuth) => ({ azimuth, wall: 'brick' })),
});

/** A cold windy week with one good evening: the third day from eight. */
function oneGoodEvening(start = Date.UTC(2027, 1, 9)) {
  const hours = Array.from({ length: 96 }, (_, i): WeatherHour => {
    const good = i >= 68 && i < 72;
    return { temperatureC: 0, cloudPct: 100, windMs: good ? 1 : 9, rainMm: 0, humidityPct: 70, snowCm: null, windFromDeg: null };
  });
  return scoreHours({ start, hours, warnings: [] }, plan);
}

describe('best slots', () => {
  test('the one good evening is found, from its first to its last hour', () => {
    const [best, ...more] = bestSlots(oneGoodEvening(), plan);
    // Wind does not keep anybody from a round inside.
    expect(more.length).toBeGreaterThan(2);
    for (const slot of more) expect(slot).toMatchObject({ where: 'inside', facades: [] });
    expect(more[0]!.summary).toMatch(/^Inside only\. Wind 9\.0 m\/s/);
    expect(best).toMatchObject({
      where: 'both',
      from: Date.UTC(2027, 1, 11, 20),
      to: Date.UTC(2027, 1, 11, 23),
      facades: [0, 90, 180, 270],
    });
    expect(best!.score).toBeGreaterThan(0.75);
    expect(best!.summary).toMatch(/^All 4 façades\. Wind 1\.0 m\/s, dry\. No daylight for photos\.$/);
    expect(headline(oneGoodEvening(), [best!], plan).title).toBe('Thursday from 20:00 is the evening to go');
  });

  test('a week without one says so, and what spoils it', () => {
    const hours = Array.from({ length: 72 }, (): WeatherHour => {
      return { temperatureC: 14, cloudPct: 100, windMs: 1, rainMm: 0, humidityPct: 70, snowCm: null, windFromDeg: null };
    });
    const result = scoreHours({ start: Date.UTC(2027, 1, 9), hours, warnings: [] }, plan);
    expect(bestSlots(result, plan)).toEqual([]);
    expect(headline(result, [], plan)).toEqual({
      title: 'No hour of this week is worth driving out for',
      detail: expect.stringContaining('too small a difference'),
    });
  });

  test('in a real week they come best first, do not overlap, and keep to hours in which people open the door', () => {
    const result = scoreHours(readWeather(februaryWeek), plan);
    const slots = bestSlots(result, plan);
    expect(slots.length).toBeGreaterThan(2);
    slots.forEach((slot, i) => {
      // What is good for one side only stands behind what is good for both.
      if (slot.where === slots[i - 1]?.where) expect(slot.score).toBeLessThanOrEqual(slots[i - 1]!.score);
      expect(slot.to - slot.from).toBeLessThanOrEqual(4 * HOUR_MS);
      expect(slot.to - slot.from).toBeGreaterThanOrEqual(2 * HOUR_MS);
      expect(new Date(slot.from).getUTCHours()).toBeGreaterThanOrEqual(6);
      for (const other of slots.slice(i + 1)) expect(other.to <= slot.from || other.from >= slot.to).toBe(true);
    });
  });

  test('a façade that comes later is named with its hour', () => {
    const hours = Array.from({ length: 48 }, (_, i): WeatherHour => {
      return {
        temperatureC: 0,
        cloudPct: i < 41 ? 0 : 100,
        windMs: 1,
        rainMm: 0,
        humidityPct: 70,
        snowCm: null,
        windFromDeg: null,
      };
    });
    const slots = bestSlots(scoreHours({ start: Date.UTC(2027, 1, 9), hours, warnings: [] }, plan), plan);
    expect(slots.map(({ summary }) => summary).join(' ')).toMatch(/(north|east|west) from \d\d:00/);
  });

  test.each([
    ['spring', Date.UTC(2027, 2, 26), Date.UTC(2027, 2, 28, 19)],
    ['autumn', Date.UTC(2027, 9, 29), Date.UTC(2027, 9, 31, 20)],
  ])('eight in the evening stays eight on the day on which the clock is changed in %s', (_, start, eight) => {
    const hours = Array.from({ length: 96 }, (_, i): WeatherHour => {
      const good = start + i * HOUR_MS >= eight && start + i * HOUR_MS < eight + 6 * HOUR_MS;
      return {
        temperatureC: 0,
        cloudPct: 100,
        windMs: good ? 1 : 9,
        rainMm: 0,
        humidityPct: 70,
        snowCm: null,
        windFromDeg: null,
      };
    });
    const result = scoreHours({ start, hours, warnings: [] }, plan);
    const slots = bestSlots(result, plan);
    // It ends at 23 by the clock at the site, whatever UTC says.
    expect(slots[0]).toMatchObject({ from: eight, to: eight + 3 * HOUR_MS });
    expect(headline(result, slots, plan).title).toBe('Sunday from 20:00 is the evening to go');
  });

  test('slots begin no earlier than asked', () => {
    const both = (from: number) => bestSlots(oneGoodEvening(), plan, from).filter(({ where }) => where === 'both');
    expect(both(Date.UTC(2027, 1, 11, 21))[0]!.from).toBe(Date.UTC(2027, 1, 11, 21));
    // One hour is left: too short for a survey.
    expect(both(Date.UTC(2027, 1, 11, 22))).toEqual([]);
    expect(bestSlots(oneGoodEvening(), plan, Date.UTC(2027, 1, 13))).toEqual([]);
  });

  test('letters stand for scores', () => {
    expect([1, 0.75, 0.74, 0.5, 0.49, 0.25, 0.24, 0].map(gradeOf)).toEqual(['A', 'A', 'B', 'B', 'C', 'C', '–', '–']);
  });
});
