import fc from 'fast-check';
import { errorOf } from '../../testing/material';
import { explainSharing } from './explainSharing';
import { scoreBetween, shareCamera, type Home, type Loan } from './shareCamera';

const HOUR = 3_600_000;
const STEP = HOUR / 12;
const MONDAY = Date.UTC(2027, 1, 8);
const WEEK: Loan = { from: MONDAY, to: MONDAY + 7 * 24 * HOUR, timeZone: 'Europe/London' };

/** A home that is in on given days from six to ten in the evening. */
function home(name: string, days: number[], scoreOf: (day: number, hour: number) => number, change: Partial<Home> = {}): Home {
  const presences = days.map((day) => ({ from: MONDAY + (day * 24 + 18) * HOUR, to: MONDAY + (day * 24 + 22) * HOUR }));
  const scores = Array.from({ length: 168 }, (_, i) => scoreOf(Math.floor(i / 24), i % 24));
  return { id: name, name, minutes: 60, travelMinutes: 15, presences, scores, scoresFrom: MONDAY, ...change };
}

/** Everything that could be done, tried one by one: every day of every home, every order, every start. */
function bruteForce(loan: Loan, homes: Home[]): { served: number; score: number } {
  let best = { served: 0, score: 0 };
  const daysCount = Math.round((loan.to - loan.from) / (24 * HOUR));
  const ends = Array.from({ length: daysCount }, () => -Infinity);
  const visit = (left: Home[], served: number, score: number) => {
    if (served > best.served || (served === best.served && score > best.score + 1e-12)) best = { served, score };
    for (const one of left) {
      for (let d = 0; d < daysCount; d += 1) {
        const start = loan.from + d * 24 * HOUR;
        for (let from = start; from < start + 24 * HOUR; from += STEP) {
          const to = from + one.minutes * 60_000;
          if (from < Math.ceil(ends[d]! / STEP) * STEP + Math.ceil(one.travelMinutes / 5) * STEP || to > start + 24 * HOUR)
            continue;
          if (!one.presences.some((presence) => presence.from <= from && presence.to >= to)) continue;
          const worth = scoreBetween(one, from, to);
          if (worth === null) continue;
          const before = ends[d]!;
          ends[d] = to;
          visit(
            left.filter((other) => other !== one),
            served + 1,
            score + worth,
          );
          ends[d] = before;
        }
      }
    }
  };
  visit(homes, 0, 0);
  return best;
}

describe('one camera for many homes', () => {
  test('each home gets its evening; two share one when they fit', () => {
    const { turns } = shareCamera(WEEK, [
      home('Ash', [3], () => 0.9),
      home('Birch', [3], () => 0.8),
      home('Cedar', [1, 3], (day) => (day === 1 ? 0.7 : 0.9)),
    ]);
    expect(turns.map(({ homeId }) => homeId).sort()).toEqual(['Ash', 'Birch', 'Cedar']);
    turns.forEach((turn, i) => {
      const before = turns[i - 1];
      if (before && turn.from - before.to < 12 * HOUR) expect(turn.from - before.to).toBeGreaterThanOrEqual(15 * 60_000);
    });
  });

  test('serving one more home beats better hours, and the trade is told', () => {
    const homes = [
      home('Ash', [0, 1], (day) => (day === 0 ? 0.95 : 0.6), { minutes: 240 }),
      home('Birch', [0], () => 0.9, { minutes: 240 }),
    ];
    const sharing = shareCamera(WEEK, homes);
    expect(sharing.turns.map(({ homeId, score }) => [homeId, score])).toEqual([
      ['Birch', expect.closeTo(0.9)],
      ['Ash', expect.closeTo(0.6)],
    ]);
    expect(explainSharing(WEEK, homes, sharing)).toEqual({
      tradeOffs: [{ homeId: 'Ash', words: 'Would be read best on Mon 8 Feb, 18:00 (A), when the camera is with Birch; now B.' }],
      waiting: [],
    });
  });

  test('when all else is equal the waiting list decides, and the last one hears why', () => {
    const homes = ['Ash', 'Birch', 'Cedar'].map((name) => home(name, [2], () => 0.8, { minutes: 100 }));
    const sharing = shareCamera(WEEK, homes);
    expect(sharing.turns.map(({ homeId }) => homeId).sort()).toEqual(['Ash', 'Birch']);
    const { waiting } = explainSharing(WEEK, homes, sharing);
    expect(waiting).toEqual([
      {
        homeId: 'Cedar',
        words: 'Could go on Wed 10 Feb, 18:00, but then Ash or Birch would have to wait instead.',
      },
    ]);
  });

  test.each<[string, Home, RegExp]>([
    ['nobody in', home('Ash', [9], () => 1), /^Nobody is in/],
    ['too short', home('Ash', [1], () => 1, { minutes: 300 }), /^Needs 300 min; the longest that somebody is in is 240 min/],
    ['bad weather', home('Ash', [1], () => 0.1), /^No readable hours/],
    [
      'too few good hours',
      home('Ash', [1], (_, hour) => (hour === 19 ? 0.9 : 0.1), { minutes: 120 }),
      /^Needs 120 min; readable hours while somebody is in last 60 min at most/,
    ],
  ])('%s: cannot be served, and is told why', (_, one, words) => {
    const sharing = shareCamera(WEEK, [one]);
    expect(sharing.turns).toEqual([]);
    expect(explainSharing(WEEK, [one], sharing).waiting[0]!.words).toMatch(words);
  });

  test('is as good as trying everything, on small cases', () => {
    const presence = fc.record({ day: fc.nat(1), from: fc.integer({ min: 18, max: 20 }), hours: fc.constantFrom(1, 1.5, 2) });
    const some = fc.record({
      minutes: fc.constantFrom(30, 50, 65),
      travelMinutes: fc.constantFrom(0, 10, 25),
      presences: fc.array(presence, { minLength: 1, maxLength: 2 }),
      scores: fc.array(fc.constantFrom(0.1, 0.3, 0.5, 0.8, 1), { minLength: 48, maxLength: 48 }),
    });
    const loan: Loan = { from: MONDAY, to: MONDAY + 2 * 24 * HOUR, timeZone: 'UTC' };
    fc.assert(
      fc.property(fc.array(some, { minLength: 1, maxLength: 3 }), (wanted) => {
        const homes = wanted.map((one, i): Home => ({
          ...one,
          id: String(i),
          name: String(i),
          scoresFrom: MONDAY,
          presences: one.presences.map(({ day, from, hours }) => {
            const begin = MONDAY + (day * 24 + from) * HOUR;
            return { from: begin, to: begin + hours * HOUR };
          }),
        }));
        const { turns } = shareCamera(loan, homes);
        const best = bruteForce(loan, homes);
        expect(turns.length).toBe(best.served);
        expect(turns.reduce((sum, { score }) => sum + score, 0)).toBeCloseTo(best.score, 5);
      }),
      { numRuns: 60 },
    );
  });

  test('fits to five minutes: presence from ten past, seventy minutes and a short way', () => {
    const evening = (from: number, minutes: number) => ({
      presences: [{ from: MONDAY + 18 * HOUR + from * 60_000, to: MONDAY + 18 * HOUR + (from + minutes) * 60_000 }],
      minutes: 70,
      travelMinutes: 4,
    });
    const homes = [home('Ash', [], () => 0.9, evening(10, 70)), home('Birch', [], () => 0.9, evening(85, 72))];
    const { turns } = shareCamera(WEEK, homes);
    expect(turns.map(({ from, to }) => [(from - MONDAY) / 60_000, (to - MONDAY) / 60_000])).toEqual([
      [1090, 1160],
      [1165, 1235],
    ]);
  });

  test('a loan over a change of the clock has its evening where the clock says', () => {
    const loan: Loan = { from: Date.UTC(2027, 2, 27, 12), to: Date.UTC(2027, 2, 29, 12), timeZone: 'Europe/London' };
    const one = home('Ash', [], () => 0.9, {
      presences: [{ from: Date.UTC(2027, 2, 28, 18), to: Date.UTC(2027, 2, 28, 19) }],
      scores: Array<number>(72).fill(0.9),
      scoresFrom: Date.UTC(2027, 2, 27),
    });
    expect(shareCamera(loan, [one]).turns).toEqual([
      { homeId: 'Ash', from: Date.UTC(2027, 2, 28, 18), to: Date.UTC(2027, 2, 28, 19), score: expect.closeTo(0.9) },
    ]);
  });

  test('loans that end before they begin, last too long or have too many homes are refused', () => {
    expect(errorOf(() => shareCamera({ ...WEEK, to: WEEK.from }, []))).toMatchObject({ code: 'bad_input' });
    expect(errorOf(() => shareCamera({ ...WEEK, to: NaN }, []))).toMatchObject({ code: 'bad_input' });
    expect(errorOf(() => shareCamera({ ...WEEK, to: WEEK.from + 9 * 24 * HOUR }, []))).toMatchObject({ code: 'bad_input' });
    const many = Array.from({ length: 13 }, (_, i) => home(String(i), [1], () => 1));
    expect(errorOf(() => shareCamera(WEEK, many))).toMatchObject({ code: 'out_of_range' });
    expect(shareCamera(WEEK, []).turns).toEqual([]);
  });
});
