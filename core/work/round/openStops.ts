import type { EarlierStop } from '../../model/document';
import type { Round } from './round';
import type { Stop } from './stops';

/** A stop of the round where the last visit left something open. */
export interface OpenStop {
  stop: Stop;
  titles: readonly string[];
  /** It was answered on this visit. */
  done: boolean;
}

/** Stops where something was left open, in the order of the walk. */
export function openStops({ stops, outcomes }: Round, earlier: Readonly<Record<string, EarlierStop>>): OpenStop[] {
  return stops.flatMap((stop) => {
    const titles = earlier[stop.key]?.open ?? [];
    return titles.length === 0 ? [] : [{ stop, titles, done: outcomes.get(stop.key) !== null }];
  });
}

/** Where a walk begins: at what was left open, else at the first stop without an answer, else at the first. */
export function firstStop(round: Round, earlier: Readonly<Record<string, EarlierStop>>): Stop | null {
  const left = openStops(round, earlier).find(({ done }) => !done);
  return left?.stop ?? round.stops.find(({ key }) => round.outcomes.get(key) === null) ?? round.stops[0] ?? null;
}
