import fc from 'fast-check';
import { errorOf } from '../../testing/material';
import { airAt, LONGEST_GAP_MS } from './airLog';
import { readLogger } from './readLogger';

const minute = 60_000;
const entry = (at: number, insideC: number | null, outsideC: number | null = null, humidityPct: number | null = null) => ({
  at: at * minute,
  insideC,
  outsideC,
  humidityPct,
});

describe('air at a moment', () => {
  test('lies straight between two readings, in any order', () => {
    const log = [entry(40, 22), entry(0, 18, 2), entry(40, null, 4)];
    expect(airAt(log, 10 * minute)).toEqual({ insideC: 19, outsideC: 2.5, humidityPct: null });
    expect(airAt(log, 40 * minute).insideC).toBe(22);
  });

  test('is the nearest within half an hour beyond them, and unknown farther off', () => {
    const log = [entry(0, 18)];
    expect(airAt(log, 29 * minute).insideC).toBe(18);
    expect(airAt(log, -29 * minute).insideC).toBe(18);
    expect(airAt(log, 31 * minute).insideC).toBeNull();
  });

  test('is unknown in the middle of a long gap', () => {
    const log = [entry(0, 18), entry(LONGEST_GAP_MS / minute + 1, 20)];
    expect(airAt(log, LONGEST_GAP_MS / 2).insideC).toBeNull();
    expect(airAt([], 0)).toEqual({ insideC: null, outsideC: null, humidityPct: null });
  });

  test('never leaves the readings around it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 600 }), fc.double({ min: -20, max: 40, noNaN: true })), {
          minLength: 1,
          maxLength: 20,
        }),
        fc.integer({ min: -60, max: 660 }),
        (pairs, at) => {
          const values = pairs.map(([, value]) => value);
          const { insideC } = airAt(
            pairs.map(([time, value]) => entry(time, value)),
            at * minute,
          );
          if (insideC === null) return;
          expect(insideC).toBeGreaterThanOrEqual(Math.min(...values) - 1e-9);
          expect(insideC).toBeLessThanOrEqual(Math.max(...values) + 1e-9);
        },
      ),
    );
  });

  test('refuses a moment that is none', () => expect(errorOf(() => airAt([], NaN))).toMatchObject({ code: 'out_of_range' }));
});

describe('a logger’s file', () => {
  const from = Date.UTC(2026, 1, 11, 18);
  const hours = { timeZone: 'Europe/Madrid', from, to: from + 4 * 60 * minute };
  const read = (text: string, change: Partial<typeof hours> = {}) => readLogger(text, { ...hours, ...change });

  test('comma, semicolon and tab; local time, UTC and offsets; decimal commas', () => {
    const expected = [{ at: Date.UTC(2026, 1, 11, 19, 20), insideC: 20.5, outsideC: 1.5, humidityPct: 47 }];
    for (const text of [
      'time,inside,outside,humidity\n2026-02-11 20:20,20.5,1.5,47\n',
      '\uFEFFDate/Time;Indoor °C;Outdoor °C;RH %\r\n11.02.2026 20:20;20,5;1,5;47\r\n',
      'timestamp\ttemp\toutside\trh\n2026-02-11T19:20:00Z\t20.5\t1.5\t47',
      'time,inside,outside,humidity\n2026-02-11T21:20:00+0200,20.5,1.5,47',
    ])
      expect(read(text).entries).toEqual(expected);
  });

  test('keeps what lies within the visit and counts the rest; empty cells are unknown', () => {
    const text = 'time,inside,humidity\n2026-02-11 12:00,19,40\n2026-02-11 20:00,20,\n2026-02-11 20:30,,45\n';
    const { entries, outside } = read(text);
    expect(outside).toBe(1);
    expect(entries.map(({ insideC, humidityPct }) => [insideC, humidityPct])).toEqual([
      [20, null],
      [null, 45],
    ]);
  });

  test('from another zone says by how much', () => {
    const text = 'time,inside\n2026-02-11 09:00,20\n2026-02-11 09:30,20\n';
    expect(errorOf(() => read(text))).toMatchObject({ code: 'out_of_range', message: expect.stringMatching(/10 h behind/) });
    expect(errorOf(() => read('time,inside\n2025-02-11 09:00,20\n'))).toMatchObject({
      hint: 'Choose the file of the right day.',
    });
  });

  test.each([
    ['no head', '2026-02-11 20:00,20\n', 1],
    ['nothing measured', 'time,note\n2026-02-11 20:00,x\n', 1],
    ['a time that is none', 'time,inside\n2026-02-11 20:00,20\nyesterday,20\n', 3],
    ['a day that is none', 'time,inside\n2026-02-31 20:00,20\n', 2],
    ['an absurd value', 'time,inside\n2026-02-11 20:00,900\n', 2],
  ])('with %s is refused with its line', (_name, text, line) => {
    expect(errorOf(() => read(text))).toMatchObject({ code: 'malformed', where: { line } });
  });

  test('any text ends in readings or a refusal', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        try {
          read(`time,inside\n${text}`);
        } catch (error) {
          expect(error).toHaveProperty('code');
        }
      }),
    );
  });
});
