import type { Row } from '../entities';
import type { Stop } from './stops';

/** A frame or photo from a card: when it was taken by the camera's clock. */
export interface CardPicture {
  id: string;
  /** ms since 1970, as the file says. */
  takenAt: number;
}

export interface Laid {
  id: string;
  /** null: no stop is near it in time. */
  stopKey: string | null;
}

/** Between two stops a picture belongs to the nearer one, as long as that is not farther away than this. */
const NEAR_MS = 10 * 60_000;

interface Spell {
  key: string;
  from: number;
  to: number;
}

/**
 * Lays pictures of a card on the stops of a round. With times in the round, a picture belongs to the stop that was open
 * when it was taken, else to the nearest in time within ten minutes. Without any, order decides: the longest pauses between
 * pictures part them into as many heaps as there are stops, first to first.
 *
 * @param clockAheadS - what the camera's clock is ahead of the true time, s
 * @param stops - in the order of the walk
 * @param answers - what is known of them
 * @returns one for each picture, in the order of time
 */
export function layCard(
  pictures: readonly CardPicture[],
  clockAheadS: number,
  stops: readonly Stop[],
  answers: readonly Row<'stop'>[],
): Laid[] {
  const sorted = pictures
    .map(({ id, takenAt }) => ({ id, at: takenAt - clockAheadS * 1000 }))
    .sort((a, b) => a.at - b.at || a.id.localeCompare(b.id));
  const known = new Set(stops.map(({ key }) => key));
  const spells = answers
    .filter(({ value }) => known.has(value.key))
    .flatMap(({ value: { key, openedAt, answeredAt } }): Spell[] => {
      const times = [openedAt, answeredAt].filter((at): at is number => at !== null);
      return times.length === 0 ? [] : [{ key, from: Math.min(...times), to: Math.max(...times) }];
    });
  return spells.length > 0 ? byTime(sorted, spells) : byOrder(sorted, stops);
}

function byTime(pictures: { id: string; at: number }[], spells: Spell[]): Laid[] {
  return pictures.map(({ id, at }) => {
    const away = ({ from, to }: Spell) => Math.max(from - at, at - to, 0);
    const nearest = spells.reduce((best, spell) =>
      // Of two that were open, the one that was opened later is where people stood.
      away(spell) < away(best) || (away(spell) === away(best) && spell.from > best.from) ? spell : best,
    );
    return { id, stopKey: away(nearest) <= NEAR_MS ? nearest.key : null };
  });
}

function byOrder(pictures: { id: string; at: number }[], stops: readonly Stop[]): Laid[] {
  const pauses = pictures
    .slice(1)
    .map(({ at }, i) => ({ after: i, pause: at - pictures[i]!.at }))
    .sort((a, b) => b.pause - a.pause || a.after - b.after)
    .slice(0, Math.max(0, stops.length - 1))
    .filter(({ pause }) => pause > 0);
  const breaks = new Set(pauses.map(({ after }) => after));
  let heap = 0;
  return pictures.map(({ id }, i) => {
    const stopKey = stops[Math.min(heap, stops.length - 1)]?.key ?? null;
    if (breaks.has(i)) heap += 1;
    return { id, stopKey };
  });
}
