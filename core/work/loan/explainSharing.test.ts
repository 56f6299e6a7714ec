import { explainSharing } from './explainSharing';
import { shareCamera, type Home, type Loan } from './shareCamera';

const HOUR = 3_600_000;
const FRIDAY = Date.UTC(2027, 1, 12);
const LOAN: Loan = { from: FRIDAY, to: FRIDAY + 3 * 24 * HOUR, timeZone: 'Europe/Madrid' };

function home(id: string, day: number, score: number, minutes = 120): Home {
  const begin = FRIDAY + (day * 24 + 17) * HOUR;
  return {
    id,
    name: `House ${id}`,
    minutes,
    travelMinutes: 0,
    presences: [{ from: begin, to: begin + 2 * HOUR }],
    scores: Array<number>(72).fill(score),
    scoresFrom: FRIDAY,
  };
}

const explain = (homes: Home[]) => explainSharing(LOAN, homes, shareCamera(LOAN, homes));

test('where everybody has the best there is nothing to say', () => {
  expect(explain([home('a', 0, 0.9), home('b', 1, 0.8)])).toEqual({ tradeOffs: [], waiting: [] });
});

test('the one who loses an evening hears who has it, by the clock of the loan', () => {
  const { waiting } = explain([home('a', 0, 0.9), home('b', 0, 0.9)]);
  expect(waiting).toEqual([
    { homeId: 'b', words: 'Could go on Fri 12 Feb, 18:00, but then House a would have to wait instead.' },
  ]);
});

test('homes wait in the order of their list', () => {
  const { waiting } = explain([home('a', 0, 0.1), home('b', 0, 0.9, 300), home('c', 9, 0.9)]);
  expect(waiting.map(({ homeId }) => homeId)).toEqual(['a', 'b', 'c']);
  expect(waiting[0]!.words).toMatch(/weather does not allow/);
  expect(waiting[1]!.words).toMatch(/Needs 300 min/);
  expect(waiting[2]!.words).toMatch(/Nobody is in/);
});

test('a loss that nobody would notice is not called one', () => {
  const flexible = home('a', 0, 0.9);
  flexible.presences.push({ from: FRIDAY + 41 * HOUR, to: FRIDAY + 43 * HOUR });
  flexible.scores = flexible.scores.map((score, i) => (i > 30 ? score - 0.03 : score));
  expect(explain([flexible, home('b', 0, 0.9)]).tradeOffs).toEqual([]);
  flexible.scores = flexible.scores.map((score, i) => (i > 30 ? score - 0.07 : score));
  expect(explain([flexible, home('b', 0, 0.9)]).tradeOffs[0]!.words).toMatch(/now somewhat less well\.$/);
  flexible.scores = flexible.scores.map((score, i) => (i > 30 ? score - 0.13 : score));
  const { tradeOffs } = explain([flexible, home('b', 0, 0.9)]);
  expect(tradeOffs).toEqual([
    { homeId: 'a', words: 'Would be read best on Fri 12 Feb, 18:00 (A), when the camera is with House b; now B.' },
  ]);
});

test('who would have to wait is found by trying, not by who has that evening', () => {
  // c could only go on the first evening; a, who has it, could move to the second, where b is: b would have to wait as well.
  const a = home('a', 0, 0.9);
  a.presences.push({ from: FRIDAY + 41 * HOUR, to: FRIDAY + 43 * HOUR });
  const { waiting } = explain([a, home('b', 1, 0.9), home('c', 0, 0.9)]);
  expect(waiting).toEqual([
    { homeId: 'c', words: 'Could go on Fri 12 Feb, 18:00, but then House a or House b would have to wait instead.' },
  ]);
});

test('where weather is missing, that is said', () => {
  const unknown = { ...home('a', 0, 0.9), scores: [] };
  expect(explain([unknown]).waiting[0]!.words).toBe('There is no weather for the hours in which somebody is in.');
});
