import { HOUR_MS } from '../../ground/localClock';
import { CoreError, requireRange } from '../../ground/errors';
import { localHours, momentOf } from '../../ground/localClock';

/** A home that waits for the camera. */
export interface Home {
  id: string;
  name: string;
  /** Time that its survey takes. */
  minutes: number;
  /** Time to get there from the home before it. */
  travelMinutes: number;
  /** When somebody is in; moments, ms since 1970. */
  presences: { from: number; to: number }[];
  /** Score of each hour for this home and the façades that matter to it, 0 … 1, from `scoresFrom` on. */
  scores: number[];
  scoresFrom: number;
}

export interface Loan {
  from: number;
  to: number;
  timeZone: string;
}

export interface Turn {
  homeId: string;
  from: number;
  to: number;
  /** Mean score of its hours. */
  score: number;
}

export interface Sharing {
  /** In order of time. */
  turns: Turn[];
  /** Best that each home could have had alone; null when nothing is possible for it. */
  alone: Record<string, Turn | null>;
}

export const MOST_HOMES = 12;
const LONGEST_LOAN_DAYS = 7;
/** An hour below this is not worth a survey. */
const LEAST_SCORE = 0.25;
const STEP_MINUTES = 5;
export const STEP_MS = STEP_MINUTES * 60_000;

/**
 * The best sharing of one camera among homes: as many homes as possible, then the best hours for them together, then the
 * order of the waiting list. One outing a day; homes of one outing follow each other with their travel between. Turns
 * begin on full five minutes. Exact: dynamic programming over sets of homes, first within a day by time, then over days.
 *
 * @param homes - in the order of the waiting list, at most 12
 * @throws CoreError `out_of_range`, `bad_input` (a loan that ends before it begins, or lasts longer than 7 days)
 *
 * Cost grows with 2ⁿ in the number of homes that are possible on one day, and linearly with days.
 */
export function shareCamera(loan: Loan, homes: Home[]): Sharing {
  requireRange('number of homes', homes.length, 0, MOST_HOMES);
  const days = daysOf(loan);
  const outings = days.map((day) => planOutings(day, homes));
  const turns = distribute(outings, homes.length).flatMap((set, d) => turnsOf(outings[d]!, set, homes));
  const alone = Object.fromEntries(homes.map((home, h) => [home.id, bestAlone(outings, home, h)]));
  return { turns: turns.sort((a, b) => a.from - b.from), alone };
}

interface Day {
  start: number;
  end: number;
}

/** Local days that the loan touches, cut to the loan. */
function daysOf({ from, to, timeZone }: Loan): Day[] {
  if (!(to > from))
    throw new CoreError('bad_input', 'The loan ends before it begins.', { argument: 'to' }, 'Put its end after its begin.');
  const firstDay = localHours(from, 1, timeZone).day[0]!;
  const days: Day[] = [];
  for (let day = firstDay; ; day += 1) {
    const start = Math.max(from, momentOf(day, 0, timeZone));
    const end = Math.min(to, momentOf(day + 1, 0, timeZone));
    if (start >= to) break;
    days.push({ start: Math.ceil(start / STEP_MS) * STEP_MS, end });
  }
  // A loan from evening to evening touches one day more than it lasts.
  if (days.length > LONGEST_LOAN_DAYS + 1) {
    throw new CoreError(
      'bad_input',
      `The loan lasts ${days.length} days; evenings are shared out for at most ${LONGEST_LOAN_DAYS}.`,
      { argument: 'to', value: days.length },
      'Split it into two loans.',
    );
  }
  return days;
}

/** What one day allows: values of turns by home and start, and the best order of every set of homes. */
interface Outing {
  day: Day;
  steps: number;
  /** Homes that are possible on this day, as indices of the list. */
  homes: number[];
  /** Value of a turn by place in `homes` and step of its start; −Infinity where it cannot be. */
  values: Float64Array[];
  lengths: { visit: number; travel: number }[];
  /** Best value of a set (bits by place in `homes`) done by a step: index set × (steps + 1) + step. */
  best: Float64Array;
}

/** The part of a day in which somebody is in anywhere: the rest need not be tried. */
function withinPresences(day: Day, homes: Home[]): Day {
  const here = homes.flatMap(({ presences }) => presences).filter(({ from, to }) => from < day.end && to > day.start);
  if (here.length === 0) return { start: day.start, end: day.start };
  const start = Math.max(day.start, Math.min(...here.map(({ from }) => from)));
  return { start: Math.ceil(start / STEP_MS) * STEP_MS, end: Math.min(day.end, Math.max(...here.map(({ to }) => to)) + STEP_MS) };
}

function planOutings(day: Day, homes: Home[]): Outing {
  const cut = withinPresences(day, homes);
  const steps = Math.max(0, Math.floor((cut.end - cut.start) / STEP_MS));
  const all = homes.map((home, h) => turnValues(cut, steps, home, h, homes.length));
  const possible = homes.map((_, h) => h).filter((h) => all[h]!.some((value) => value > -Infinity));
  const values = possible.map((h) => all[h]!);
  const lengths = possible.map((h) => ({
    visit: Math.ceil(homes[h]!.minutes / STEP_MINUTES),
    travel: Math.ceil(homes[h]!.travelMinutes / STEP_MINUTES),
  }));
  const width = steps + 1;
  const best = new Float64Array(width << possible.length).fill(-Infinity);
  best.fill(0, 0, width);
  for (let set = 1; set < 1 << possible.length; set += 1) {
    for (let end = 1; end <= steps; end += 1) {
      let most = best[set * width + end - 1]!;
      for (let k = 0; k < possible.length; k += 1) {
        if (!(set & (1 << k))) continue;
        const value = lastTurnValue({ values, lengths, best, width }, set, k, end);
        if (value > most) most = value;
      }
      best[set * width + end] = most;
    }
  }
  return { day: cut, steps, homes: possible, values, lengths, best };
}

/** Value of a set whose last turn is home k's and ends at a step. */
function lastTurnValue(
  { values, lengths, best, width }: { values: Float64Array[]; lengths: Outing['lengths']; best: Float64Array; width: number },
  set: number,
  k: number,
  end: number,
): number {
  const start = end - lengths[k]!.visit;
  if (start < 0) return -Infinity;
  const others = set & ~(1 << k);
  // Nobody waits for the way to the first home.
  const free = others === 0 ? 0 : start - lengths[k]!.travel;
  return free < 0 ? -Infinity : best[others * width + free]! + values[k]![start]!;
}

/** One a home, then up to half as much for its hours, then next to nothing for its place on the list. */
function turnValues(day: Day, steps: number, home: Home, place: number, homes: number): Float64Array {
  return Float64Array.from({ length: steps }, (_, step) => {
    const from = day.start + step * STEP_MS;
    const to = from + home.minutes * 60_000;
    if (to > day.end || !home.presences.some((presence) => presence.from <= from && presence.to >= to)) return -Infinity;
    const score = scoreBetween(home, from, to);
    return score === null ? -Infinity : 1 + score / (2 * homes) + (homes - place) * 1e-7;
  });
}

/** Mean score over a stretch; null when an hour of it is unknown or not worth a survey. */
export function scoreBetween(
  { scores, scoresFrom }: Pick<Home, 'scores' | 'scoresFrom'>,
  from: number,
  to: number,
): number | null {
  let sum = 0;
  for (let time = from; time < to;) {
    const hour = Math.floor((time - scoresFrom) / HOUR_MS);
    const score = scores[hour];
    if (score === undefined || !(score >= LEAST_SCORE)) return null;
    const until = Math.min(to, scoresFrom + (hour + 1) * HOUR_MS);
    sum += score * (until - time);
    time = until;
  }
  return sum / (to - from);
}

/** Which set of homes goes on which day, as bits of the whole list. */
function distribute(outings: Outing[], homes: number): number[] {
  const sets = 1 << homes;
  const choices = outings.map(setsOf);
  let before = new Float64Array(sets);
  const chosen = choices.map(({ masks, values }) => {
    const after = new Float64Array(sets);
    const choice = new Uint16Array(sets);
    for (let set = 0; set < sets; set += 1) {
      let most = before[set]!;
      for (let c = 0; c < masks.length; c += 1) {
        const mask = masks[c]!;
        if ((mask & set) !== mask) continue;
        const value = before[set & ~mask]! + values[c]!;
        if (value > most) {
          most = value;
          choice[set] = mask;
        }
      }
      after[set] = most;
    }
    before = after;
    return choice;
  });
  let left = sets - 1;
  return chosen
    .reverse()
    .map((choice) => {
      const set = choice[left]!;
      left &= ~set;
      return set;
    })
    .reverse();
}

/** Sets of homes that fit into an outing, with their best values. */
function setsOf({ homes, best, steps }: Outing): { masks: number[]; values: number[] } {
  const masks: number[] = [];
  const values: number[] = [];
  for (let set = 1; set < 1 << homes.length; set += 1) {
    const value = best[set * (steps + 1) + steps]!;
    if (value === -Infinity) continue;
    masks.push(homes.reduce((mask, h, k) => (set & (1 << k) ? mask | (1 << h) : mask), 0));
    values.push(value);
  }
  return { masks, values };
}

/** The turns behind a set's best value, found by walking back through it. */
function turnsOf(outing: Outing, mask: number, homes: Home[]): Turn[] {
  const { best, steps, lengths } = outing;
  const width = steps + 1;
  let set = outing.homes.reduce((bits, h, k) => (mask & (1 << h) ? bits | (1 << k) : bits), 0);
  const turns: Turn[] = [];
  let end = steps;
  while (set !== 0) {
    const value = best[set * width + end]!;
    const k = outing.homes.findIndex(
      (_, place) => set & (1 << place) && lastTurnValue({ ...outing, width }, set, place, end) === value,
    );
    if (k < 0 || best[set * width + end - 1] === value) {
      end -= 1;
      continue;
    }
    const start = end - lengths[k]!.visit;
    turns.push(turnAt(outing, start, homes[outing.homes[k]!]!));
    set &= ~(1 << k);
    end = set === 0 ? 0 : start - lengths[k]!.travel;
  }
  return turns;
}

function turnAt({ day }: Outing, start: number, home: Home): Turn {
  const from = day.start + start * STEP_MS;
  const to = from + home.minutes * 60_000;
  return { homeId: home.id, from, to, score: scoreBetween(home, from, to)! };
}

function bestAlone(outings: Outing[], home: Home, index: number): Turn | null {
  let best: Turn | null = null;
  for (const outing of outings) {
    const k = outing.homes.indexOf(index);
    outing.values[k]?.forEach((value, start) => {
      if (value === -Infinity) return;
      const turn = turnAt(outing, start, home);
      if (!best || turn.score > best.score) best = turn;
    });
  }
  return best;
}
