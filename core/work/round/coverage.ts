import type { Row } from '../../model/entities';
import type { Answer } from '../../model/stopRow';
import type { Stop, StopGroup } from './stops';

/** What became of a stop: its answer, or a frame or photo that was taken there; null while nobody was there. */
export type Outcome = Answer | null;

export interface Coverage {
  stops: number;
  answered: number;
  /** Could not be reached. */
  unreached: number;
  unsolved: number;
}

/** Outcome of each stop by its key. A frame that lies on a stop answers it, unless somebody said more. */
export function outcomesOf(
  groups: StopGroup[],
  answers: Row<'stop'>[],
  frames: readonly { stopKey: string | null }[],
): Map<string, Outcome> {
  const said = new Map(answers.map(({ value }) => [value.key, value.answer]));
  const taken = new Set(frames.map(({ stopKey }) => stopKey));
  return new Map(
    groups.flatMap(({ stops }) => stops.map(({ key }) => [key, said.get(key) ?? (taken.has(key) ? 'seen' : null)] as const)),
  );
}

/** How much of some stops was answered. */
export function coverageOf(stops: readonly Stop[], outcomes: ReadonlyMap<string, Outcome>): Coverage {
  const of = (wanted: Outcome) => stops.filter(({ key }) => (outcomes.get(key) ?? null) === wanted).length;
  return { stops: stops.length, answered: stops.length - of(null), unreached: of('unreached'), unsolved: of('unsolved') };
}

/** A round is walked in one go: what is further apart was looked at on another day, minutes. */
const ONE_GO_MIN = 12 * 60;

/** Minutes from the first look in a group to its last answer; null before anything was answered, and over more than one go. */
export function minutesIn(group: StopGroup, answers: Row<'stop'>[]): number | null {
  const keys = new Set(group.stops.map(({ key }) => key));
  const times = answers
    .filter(({ value }) => keys.has(value.key))
    .flatMap(({ value: { openedAt, answeredAt } }) => [openedAt, answeredAt].filter((at): at is number => at !== null));
  if (times.length < 2) return null;
  const minutes = (Math.max(...times) - Math.min(...times)) / 60_000;
  return minutes > ONE_GO_MIN ? null : minutes;
}
