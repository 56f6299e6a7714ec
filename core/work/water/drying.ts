import type { HuntValue } from '../../model/huntRow';

/** What a meter read on one day. */
export interface MeterDay {
  /** Of its first reading, ms since 1970. */
  at: number;
  readings: HuntValue['meter'];
  mean: number;
  highest: number;
}

const DAY = 86_400_000;

/** Readings of a frame day by day, the earliest first. @param dayOf - which day a moment belongs to */
export function meterDays(meter: HuntValue['meter'], frameId: string, dayOf: (at: number) => string): MeterDay[] {
  const days = new Map<string, HuntValue['meter']>();
  for (const reading of meter.filter((one) => one.frameId === frameId).sort((a, b) => a.at - b.at)) {
    const day = dayOf(reading.at);
    days.set(day, [...(days.get(day) ?? []), reading]);
  }
  return [...days.values()].map((readings) => ({
    at: readings[0]!.at,
    readings,
    mean: readings.reduce((sum, { value }) => sum + value, 0) / readings.length,
    highest: Math.max(...readings.map(({ value }) => value)),
  }));
}

/** Readings within so many pixels of each other are of one place. */
const SAME_PLACE_PX = 6;
/** Readings of one place differ by this share of what a meter shows, and by one of its steps, when nothing changed (k = 1). */
const REPEATS = 0.05;
const STEP = 0.5;
/** Two places tell that it dries or not; one may be chance. */
const LEAST_PLACES = 2;

/** Whether it dries, from places that were read on the first and on the last day. */
export interface Drying {
  /** Change a day over those places, in the meter's own units, with its standard uncertainty; null while too few were read twice. */
  aDay: number | null;
  u: number | null;
  /** Places that were read on both days. */
  places: number;
  says: 'dries' | 'gets-wetter' | 'no-change-seen' | 'too-few';
}

/**
 * Whether it dries: each place against itself, so that a day on which other places were read tells nothing. Said beyond twice its
 * uncertainty only.
 *
 * @returns null before a second day
 */
export function dryingOf(days: readonly MeterDay[]): Drying | null {
  const [first, last] = [days[0], days.at(-1)];
  if (!first || !last || first === last) return null;
  const pairs = first.readings.flatMap((before) => {
    const near = last.readings
      .map((after) => ({ after, distance: Math.hypot(after.x - before.x, after.y - before.y) }))
      .filter(({ distance }) => distance <= SAME_PLACE_PX)
      .sort((a, b) => a.distance - b.distance)[0];
    return near ? [{ before, after: near.after }] : [];
  });
  const places = pairs.length;
  if (places < LEAST_PLACES) return { aDay: null, u: null, places, says: 'too-few' };
  const apart = Math.max(1 / 24, (last.at - first.at) / DAY);
  const changes = pairs.map(({ before, after }) => after.value - before.value);
  const mean = changes.reduce((sum, one) => sum + one, 0) / places;
  const known = pairs.reduce((sum, { before, after }) => sum + uOf(before.value) ** 2 + uOf(after.value) ** 2, 0) / places;
  const scatter = changes.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (places - 1);
  const u = Math.sqrt(Math.max(known, scatter) / places);
  const says = mean < -2 * u ? 'dries' : mean > 2 * u ? 'gets-wetter' : 'no-change-seen';
  return { aDay: mean / apart, u: u / apart, places, says };
}

const uOf = (value: number) => Math.hypot(REPEATS * value, STEP);

/** The same in a sentence. */
export function dryingWords({ aDay, u, places, says }: Drying): string {
  const by = aDay === null ? '' : `${Math.abs(aDay).toFixed(1)} ± ${(2 * u!).toFixed(1)}`;
  switch (says) {
    case 'dries':
      return `It dries: ${by} less each day, over ${places} places read on both days.`;
    case 'gets-wetter':
      return `It gets wetter: ${by} more each day, over ${places} places read on both days.`;
    case 'no-change-seen':
      return `No change beyond what readings scatter (${by} a day over ${places} places): read the same places again in some days.`;
    case 'too-few':
      return 'Read the same places on both days: fewer than two were, and other places tell nothing of drying.';
  }
}
