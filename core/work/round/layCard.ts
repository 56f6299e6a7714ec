import type { Row } from '../../model/entities';
import type { Side } from '../../ground/side';

/** A frame or photo from a card: when it was taken by the camera's clock. */
export interface CardPicture {
  id: string;
  /** ms since 1970, as the file says. */
  takenAt: number;
  /** Where it was taken from, where somebody said; null else. */
  side: Side | null;
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
  /** Where one stands at the stop; null where it has no surface. */
  side: Side | null;
  from: number;
  to: number;
}

/**
 * Lays pictures of a card on the stops of a round: a picture belongs to the stop that was open when it was taken, else to the
 * nearest in time within ten minutes. Where the round has no times nothing is laid: an order alone says nothing. A picture whose
 * side somebody said goes to stops of that side only.
 *
 * @param clockAheadS - what the camera's clock is ahead of the true time, s
 * @param sideOf - of a stop, by its key
 * @param answers - what is known of them
 * @returns one for each picture, in the order of time
 */
export function layCard(
  pictures: readonly CardPicture[],
  clockAheadS: number,
  sideOf: ReadonlyMap<string, Side | null>,
  answers: readonly Row<'stop'>[],
): Laid[] {
  const sorted = pictures
    .map(({ id, takenAt, side }) => ({ id, side, at: takenAt - clockAheadS * 1000 }))
    .sort((a, b) => a.at - b.at || a.id.localeCompare(b.id));
  const spells = answers
    .filter(({ value }) => sideOf.has(value.key))
    .flatMap(({ value: { key, openedAt, answeredAt } }): Spell[] => {
      const times = [openedAt, answeredAt].filter((at): at is number => at !== null);
      return times.length === 0 ? [] : [{ key, side: sideOf.get(key) ?? null, from: Math.min(...times), to: Math.max(...times) }];
    });
  return sorted.map(({ id, at, side }): Laid => {
    const away = ({ from, to }: Spell) => Math.max(from - at, at - to, 0);
    // Of two that were open, the one that was opened later is where people stood.
    const [nearest] = spells
      .filter((spell) => side === null || spell.side === null || spell.side === side)
      .toSorted((a, b) => away(a) - away(b) || b.from - a.from);
    return { id, stopKey: nearest && away(nearest) <= NEAR_MS ? nearest.key : null };
  });
}
