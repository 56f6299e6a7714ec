import { localDay, localTime } from '../../ground/localTime';
import { gradeOf } from '../../method/weather/rated';
import { scoreBetween, shareCamera, STEP_MS, type Home, type Loan, type Sharing, type Turn } from './shareCamera';

export interface Explained {
  /** What a home that is served gives up, in words; nothing when it has its best. */
  tradeOffs: { homeId: string; words: string }[];
  /** Homes that are not served, with the reason, in the order of the waiting list. */
  waiting: { homeId: string; words: string }[];
}

/** Less than this is no loss that anybody would notice. */
const WORTH_TELLING = 0.05;

/** Says what was traded off and why a home cannot be served. */
export function explainSharing(loan: Loan, homes: Home[], { turns, alone }: Sharing): Explained {
  const when = (time: number) => `${dayOf(time)}, ${localTime(time, loan.timeZone)}`;
  const dayOf = (time: number) => localDay(time, loan.timeZone, 'short');
  const names = new Map(homes.map((home) => [home.id, home.name]));
  const served = new Set(turns.map(({ homeId }) => homeId));
  /** Where the camera is at the hours that a home wanted, or on that day. */
  const instead = (wanted: Turn): string => {
    const others = turns.filter(({ homeId }) => homeId !== wanted.homeId);
    const then = others.filter(({ from, to }) => from < wanted.to && to > wanted.from);
    if (then.length > 0) return `, when the camera is with ${list(namesOf(then), 'and')}`;
    const thatDay = others.filter(({ from }) => dayOf(from) === dayOf(wanted.from));
    return thatDay.length > 0 ? `, a day on which the camera goes to ${list(namesOf(thatDay), 'and')}` : '';
  };
  const namesOf = (some: Turn[]) => some.map(({ homeId }) => names.get(homeId)!);
  const tradeOffs = turns.flatMap((turn: Turn) => {
    const best = alone[turn.homeId]!;
    if (best.score - turn.score < WORTH_TELLING) return [];
    const [then, now] = [gradeOf(best.score), gradeOf(turn.score)];
    const words = `Would be read best on ${when(best.from)} (${then})${instead(best)}; now ${now === then ? 'somewhat less well' : now}.`;
    return [{ homeId: turn.homeId, words }];
  });
  const waiting = homes.filter((home) => !served.has(home.id)).map((home) => ({ homeId: home.id, words: whyNot(home) }));
  return { tradeOffs, waiting };

  function whyNot(home: Home): string {
    const best = alone[home.id];
    if (best) {
      const costs = list(
        swapsFor(loan, homes, home, served).map((id) => names.get(id)!),
        'or',
      );
      return `Could go on ${when(best.from)}, but then ${costs || 'more than one other home'} would have to wait instead.`;
    }
    const inLoan = home.presences
      .map(({ from, to }) => ({ from: Math.max(from, loan.from), to: Math.min(to, loan.to) }))
      .filter(({ from, to }) => to > from);
    if (inLoan.length === 0) return 'Nobody is in while the camera is there.';
    const longest = Math.max(...inLoan.map(({ from, to }) => (to - from) / 60_000));
    if (longest < home.minutes)
      return `Needs ${home.minutes} min; the longest that somebody is in is ${Math.floor(longest)} min.`;
    const known = inLoan.flatMap(({ from, to }) => scoresWithin(home, from, to));
    if (known.length === 0) return 'There is no weather for the hours in which somebody is in.';
    const readable = Math.max(...inLoan.map(({ from, to }) => longestReadable(home, from, to)));
    return readable === 0
      ? 'No readable hours while somebody is in: the weather does not allow it.'
      : `Needs ${home.minutes} min; readable hours while somebody is in last ${readable} min at most.`;
  }
}

/** Homes of which one that waits could have the turn, with all others served as before. */
function swapsFor(loan: Loan, homes: Home[], waits: Home, served: ReadonlySet<string>): string[] {
  return homes.flatMap(({ id }) => {
    if (!served.has(id)) return [];
    const others = homes.filter((home) => home === waits || (served.has(home.id) && home.id !== id));
    return shareCamera(loan, others).turns.length === others.length ? [id] : [];
  });
}

/** Longest stretch within some hours that is worth a survey, minutes. */
function longestReadable(home: Home, from: number, to: number): number {
  let [longest, since] = [0, from];
  for (let time = from; time < to; time += STEP_MS) {
    if (scoreBetween(home, time, Math.min(to, time + STEP_MS)) === null) since = time + STEP_MS;
    else longest = Math.max(longest, Math.min(to, time + STEP_MS) - since);
  }
  return Math.floor(longest / 60_000);
}

function scoresWithin({ scores, scoresFrom }: Home, from: number, to: number): number[] {
  return scores.filter((_, i) => scoresFrom + i * 3_600_000 < to && scoresFrom + (i + 1) * 3_600_000 > from);
}

function list(names: string[], word: 'and' | 'or'): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${word} ${names.at(-1)}`;
}
