import { EIGHTH } from './balance/state';

/** The first on the run is opened so far, as a share of its turns; the last wholly. */
const FIRST_SHARE = 0.25;
const LEAST_TURNS = 0.5;

/**
 * Openings for the school without instruments: the first that warms opened little, the last fully, the others between in
 * order of warming. A beginning, to be followed by feeling the returns.
 *
 * @param turnsOpen - turns to the stop of each, in order of warming
 * @returns turns, whole eighths
 */
export function openingsByOrder(turnsOpen: readonly number[]): number[] {
  const last = Math.max(1, turnsOpen.length - 1);
  return turnsOpen.map((most, i) => {
    const share = turnsOpen.length === 1 ? 1 : FIRST_SHARE + ((1 - FIRST_SHARE) * i) / last;
    return Math.round(Math.min(most, Math.max(LEAST_TURNS, share * most)) / EIGHTH) * EIGHTH;
  });
}

export interface Warmed {
  id: string;
  /** Minutes after the heat came on; null as long as it is cold. */
  minutes: number | null;
}

export interface WarmedOrder {
  /** Ids in the order in which they warmed. */
  order: string[];
  /** Much later than their place on the run explains. */
  late: { id: string; minutes: number | null; laterMin: number }[];
}

/** An emitter is late when it takes so much longer than the one in the middle, or is cold after so many minutes more, min. */
const LATE_TIMES = 2;
const LATE_MIN = 6;

/**
 * Order of warming, and who is late.
 *
 * @param minutesOn - since the heat came on
 */
export function orderOfWarming(warmed: readonly Warmed[], minutesOn: number): WarmedOrder {
  const warm = warmed
    .filter((one): one is { id: string; minutes: number } => one.minutes !== null)
    .toSorted((a, b) => a.minutes - b.minutes);
  const middle = warm[Math.floor(warm.length / 2)]?.minutes;
  if (middle === undefined) return { order: [], late: [] };
  const limit = Math.max(LATE_TIMES * middle, middle + LATE_MIN);
  const late = warmed
    .filter(({ minutes }) => (minutes ?? minutesOn) > limit)
    .map(({ id, minutes }) => ({ id, minutes, laterMin: Math.round((minutes ?? minutesOn) - middle) }));
  return { order: warm.map(({ id }) => id), late };
}
