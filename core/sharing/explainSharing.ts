import { localDay, localTime } from '../units/localTime';
import { gradeOf } from '../weather/rated';
import { LEAST_SCORE, type Home, type Loan, type Sharing, type Turn } from './shareCamera';

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
  const when = (time: number) => moment(time, loan.timeZone);
  const names = new Map(homes.map((home) => [home.id, home.name]));
  const served = new Map(turns.map((turn) => [turn.homeId, turn]));
  /** Who has the camera at the hours that a home wanted; else who has it on that day. */
  const insteadOf = (wanted: Turn): string[] => {
    const others = turns.filter(({ homeId }) => homeId !== wanted.homeId);
    const then = others.filter(({ from, to }) => from < wanted.to && to > wanted.from);
    const thatDay = others.filter(
      ({ from }) => localDay(from, loan.timeZone, 'short') === localDay(wanted.from, loan.timeZone, 'short'),
    );
    return (then.length > 0 ? then : thatDay).map(({ homeId }) => names.get(homeId)!);
  };
  const tradeOffs = turns.flatMap((turn: Turn) => {
    const best = alone[turn.homeId]!;
    if (best.score - turn.score < WORTH_TELLING) return [];
    const others = insteadOf(best);
    const why = others.length > 0 ? `, when the camera is with ${list(others)}` : '';
    const words = `Would be read best on ${when(best.from)} (${gradeOf(best.score)})${why}; now ${gradeOf(turn.score) === gradeOf(best.score) ? 'somewhat less well' : gradeOf(turn.score)}.`;
    return [{ homeId: turn.homeId, words }];
  });
  const waiting = homes.filter((home) => !served.has(home.id)).map((home) => ({ homeId: home.id, words: whyNot(home) }));
  return { tradeOffs, waiting };

  function whyNot(home: Home): string {
    const best = alone[home.id];
    if (best) {
      const others = insteadOf(best);
      return `Could go on ${when(best.from)}, but ${others.length > 0 ? `${list(others)} would lose it` : 'another home would lose its turn'}: it waits for the next loan.`;
    }
    const inLoan = home.presences
      .map(({ from, to }) => ({ from: Math.max(from, loan.from), to: Math.min(to, loan.to) }))
      .filter(({ from, to }) => to > from);
    if (inLoan.length === 0) return 'Nobody is in while the camera is there.';
    const longest = Math.max(...inLoan.map(({ from, to }) => (to - from) / 60_000));
    if (longest < home.minutes)
      return `Needs ${home.minutes} min; the longest that somebody is in is ${Math.floor(longest)} min.`;
    const best1h = Math.max(0, ...inLoan.flatMap(({ from, to }) => scoresWithin(home, from, to)));
    return best1h < LEAST_SCORE
      ? 'No readable hours while somebody is in: the weather does not allow it.'
      : `Readable hours while somebody is in are shorter than the ${home.minutes} min it needs.`;
  }
}

function scoresWithin({ scores, scoresFrom }: Home, from: number, to: number): number[] {
  return scores.filter((_, i) => scoresFrom + i * 3_600_000 < to && scoresFrom + (i + 1) * 3_600_000 > from);
}

function list(names: string[]): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

function moment(time: number, timeZone: string): string {
  return `${localDay(time, timeZone, 'short')}, ${localTime(time, timeZone)}`;
}
