import { localHours, momentOf, offsetReader, localHoursOf } from './localClock';

const HOUR = 3_600_000;

describe('the clock at the site', () => {
  test('skips an hour in spring and shows one twice in autumn', () => {
    const spring = localHours(Date.UTC(2027, 2, 28), 4, 'Europe/London');
    expect([...spring.hour]).toEqual([0, 2, 3, 4]);
    const autumn = localHours(Date.UTC(2027, 9, 30, 23), 4, 'Europe/London');
    expect([...autumn.hour]).toEqual([0, 1, 1, 2]);
    expect(new Set(autumn.day).size).toBe(1);
  });

  test('is right hour by hour over a year, whatever the shortcut', () => {
    const start = Date.UTC(2027, 0, 1);
    for (const zone of ['Australia/Lord_Howe', 'America/St_Johns', 'Asia/Kolkata', 'Europe/Berlin', 'UTC']) {
      const offset = offsetReader(zone);
      const { hour } = localHours(start, 8760, zone);
      for (let i = 0; i < 8760; i += 7) {
        const local = start + i * HOUR + offset(start + i * HOUR);
        expect(hour[i]).toBe(new Date(local).getUTCHours());
      }
    }
  });

  test('is turned back into moments, also where the clock is changed', () => {
    const day = (y: number, m: number, d: number) => Date.UTC(y, m, d) / (24 * HOUR);
    expect(momentOf(day(2027, 1, 11), 20, 'Europe/London')).toBe(Date.UTC(2027, 1, 11, 20));
    expect(momentOf(day(2027, 6, 11), 20, 'Europe/London')).toBe(Date.UTC(2027, 6, 11, 19));
    expect(momentOf(day(2027, 6, 11), 20, 'Australia/Sydney')).toBe(Date.UTC(2027, 6, 11, 10));
    // Twice at one: the first. Skipped at one: the moment after.
    expect(momentOf(day(2027, 9, 31), 1, 'Europe/London')).toBe(Date.UTC(2027, 9, 31, 0));
    expect(momentOf(day(2027, 2, 28), 1, 'Europe/London')).toBe(Date.UTC(2027, 2, 28, 1));
  });
});

test('rows of hours with holes between them have the hours of their own days', () => {
  const from = Date.UTC(2027, 2, 27, 20);
  const times = [0, 1, 2, 50, 51].map((h) => from + h * 3_600_000);
  const { hour, day } = localHoursOf(times, 'Europe/London');
  // The clock was changed in the hole.
  expect([...hour]).toEqual([20, 21, 22, 23, 0]);
  expect([...day].map((one) => one - day[0]!)).toEqual([0, 0, 0, 2, 3]);
  expect(localHoursOf([], 'Europe/London').hour).toHaveLength(0);
});
