import { HOUR_MS } from '../../ground/localClock';
import { number } from '../../ground/format';
import { localDay, localTime } from '../../ground/localTime';
import { localHoursOf, type LocalHours } from '../../ground/localClock';
import { compassWord, type HoursPlan } from './plan';
import type { ReasonCode } from './reasons';
import { GOOD_WITH_CARE } from './rated';
import type { HourScore, HoursResult } from './scoreHours';

/** Hours of the local clock in which people let a surveyor in. */
const EARLIEST_H = 6;
const LATEST_H = 23;
/** Parts of a day by their first hour; each offers one slot. */
const PARTS = [EARLIEST_H, 12, 17] as const;
const SHORTEST_SLOT_H = 2;
const LONGEST_SLOT_H = 4;
/** Hours below this make a slot worse than ending earlier. */
const WORTH_STAYING = 0.45;
const MOST_SLOTS = 6;
/** A stretch of hours worth driving out for. */
export interface Slot {
  /** Milliseconds since 1970, UTC. */
  from: number;
  to: number;
  /** Mean over its hours of what it is for, 0 … 1. */
  score: number;
  /** What it is good for: a round inside, façades, or both. */
  where: 'inside' | 'outside' | 'both';
  /** Azimuths of the façades that can be read in it. */
  facades: number[];
  /** Mean difference, K. */
  differenceK: number;
  summary: string;
}

/** Inside and outside together; a site without façades is its inside. */
export function hourQuality({ inside, facades }: HourScore): number {
  if (facades.length === 0) return inside.score;
  return 0.4 * inside.score + 0.6 * (facades.reduce((sum, { score }) => sum + score, 0) / facades.length);
}

/** A slot that is good for one side only stands behind one that is good for both, unless it is better by so much. */
const ONE_SIDE = 0.8;

/**
 * The best slots, the best first: at most one in each morning, afternoon and evening, two to four hours long, at hours in
 * which people let a surveyor in. Where a part of a day does not serve inside and façades together, it may serve one of them:
 * drizzle and wind are perfect for a round inside.
 *
 * @param from - slots begin at or after this moment, ms since 1970
 */
export function bestSlots({ hours, rainKnown }: HoursResult, plan: HoursPlan, from = -Infinity): Slot[] {
  if (hours.length === 0) return [];
  const local = localHoursOf(
    hours.map(({ time }) => time),
    plan.timezone,
  );
  const together = stretches(hours, hours.map(hourQuality), local, from);
  const inside = stretches(
    hours,
    hours.map((hour) => hour.inside.score),
    local,
    from,
  );
  const outside = stretches(hours, hours.map(facadeQuality), local, from);
  const slots = new Map<string, Slot>();
  for (const found of [together, inside, ...(plan.facades.length > 0 ? [outside] : [])]) {
    for (const [key, { first, last }] of found) {
      const slot = slotOf(hours.slice(first, last + 1), plan, rainKnown);
      if (slot && !slots.has(key)) slots.set(key, slot);
    }
  }
  const rank = ({ score, where }: Slot) => (where === 'both' || plan.facades.length === 0 ? score : ONE_SIDE * score);
  return [...slots.values()].sort((a, b) => rank(b) - rank(a) || a.from - b.from).slice(0, MOST_SLOTS);
}

/** The best that façades are worth in an hour. */
function facadeQuality({ facades }: HourScore): number {
  return facades.reduce((sum, { score }) => sum + score, 0) / Math.max(1, facades.length);
}

/** The best stretch in each part of each day, by what an hour is worth. */
function stretches(hours: readonly HourScore[], quality: readonly number[], local: LocalHours, from: number) {
  const best = new Map<string, { first: number; last: number; worth: number }>();
  for (let first = 0; first < hours.length; first += 1) {
    const part = PARTS.findLastIndex((begin) => local.hour[first]! >= begin);
    if (part < 0 || hours[first]!.time < from) continue;
    let worth = 0;
    for (let last = first; last < Math.min(hours.length, first + LONGEST_SLOT_H); last += 1) {
      // A stretch ends with its day, in the night, and where there is no weather.
      if (hours[last]!.time - hours[first]!.time !== (last - first) * HOUR_MS) break;
      if (local.day[last] !== local.day[first] || local.hour[last]! >= LATEST_H) break;
      worth += quality[last]! - WORTH_STAYING;
      const key = `${local.day[first]} ${part}`;
      const long = last - first + 1 >= SHORTEST_SLOT_H;
      if (long && worth > (best.get(key)?.worth ?? 0)) best.set(key, { first, last, worth });
    }
  }
  return best;
}

function mean(values: number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

/** What a stretch is good for; null for nothing. */
function slotOf(hours: HourScore[], plan: HoursPlan, rainKnown: boolean): Slot | null {
  const ofFacades = plan.facades.map((_, k) => mean(hours.map((hour) => hour.facades[k]!.score)));
  const good = ofFacades.flatMap((score, k) => (score >= GOOD_WITH_CARE ? [{ azimuth: plan.facades[k]!.azimuth, score }] : []));
  const inside = mean(hours.map((hour) => hour.inside.score));
  const where = good.length === 0 ? 'inside' : inside >= GOOD_WITH_CARE ? 'both' : 'outside';
  if (where === 'inside' && inside < GOOD_WITH_CARE) return null;
  const outside = good.length > 0 ? mean(good.map(({ score }) => score)) : 0;
  const score = { inside, outside, both: 0.4 * inside + 0.6 * outside }[where];
  const facades = good.map(({ azimuth }) => azimuth);
  return {
    from: hours[0]!.time,
    to: hours.at(-1)!.time + HOUR_MS,
    score,
    where,
    facades,
    differenceK: mean(hours.map((hour) => hour.inside.differenceK)),
    summary: summaryOf(hours, plan, facades, where, rainKnown),
  };
}

function capital(text: string): string {
  return text[0]!.toUpperCase() + text.slice(1);
}

function summaryOf(hours: HourScore[], plan: HoursPlan, facades: number[], where: Slot['where'], rainKnown: boolean): string {
  const clock = (time: number) => localTime(time, plan.timezone);
  const first = hours[0]!;
  const parts: string[] = [];
  if (plan.facades.length > 0) {
    const late = plan.facades.flatMap(({ azimuth }, k) => {
      const start = hours.findLastIndex(({ facades: all }) => all[k]!.score < GOOD_WITH_CARE) + 1;
      return facades.includes(azimuth) && start > 0 && start < hours.length
        ? [`${compassWord(azimuth)} from ${clock(hours[start]!.time)}`]
        : [];
    });
    const which =
      facades.length === 0
        ? 'inside only'
        : facades.length < plan.facades.length
          ? `${facades.map(compassWord).join(', ')} only`
          : (['', 'the façade', 'both façades'][facades.length] ?? `all ${facades.length} façades`);
    const only = where === 'outside' ? ', not inside' : '';
    parts.push(capital(which + only + (late.length > 0 ? `; ${late.join(', ')}` : '')));
  }
  const wind = Math.max(...hours.map(({ weather }) => weather.windMs));
  const dry = first.dryForH === null ? 'dry' : `dry for ${first.dryForH} h`;
  const wet = hours.some(({ dryForH }) => dryForH === 0);
  parts.push(`wind ${number(wind, 1)} m/s, ${!rainKnown ? 'rain not told' : wet ? 'rain' : dry}`);
  if (hours.every(({ sunAltitudeDeg }) => sunAltitudeDeg < -6)) parts.push('no daylight for photos');
  if (hours.some((hour) => hour.weather.temperatureC - hour.skyC > 12)) parts.push('clear: keep the sky out of the glass');
  return `${parts.map(capital).join('. ')}.`;
}

const TROUBLE: Record<ReasonCode, string> = {
  difference: 'too small a difference between inside and outside',
  sun: 'sun on the walls',
  'sun-memory': 'sun still in the walls',
  following: 'walls that have not followed the weather yet',
  dew: 'dew or frost on the walls',
  fog: 'fog',
  rain: 'rain',
  wet: 'wet walls',
  wind: 'wind',
  daylight: 'daylight',
  'clear-sky': 'a clear sky',
  snow: 'snow',
  windows: 'sun through the windows',
  gain: 'no sun',
  photos: 'no daylight',
};

/** The answer in a sentence, and a second one with what matters about it. */
export function headline(result: HoursResult, slots: Slot[], plan: HoursPlan): { title: string; detail: string } {
  const [best] = slots;
  if (!best) {
    const trouble = commonestTrouble(result);
    return {
      title: 'No hour of this week is worth driving out for',
      detail: trouble ? `Mostly because of ${trouble}. Look again when the forecast changes.` : '',
    };
  }
  const day = localDay(best.from, plan.timezone, 'weekday');
  const clock = localTime(best.from, plan.timezone);
  const hour = Number(clock.slice(0, 2));
  const part = hour < 12 ? 'morning' : hour < 17 ? 'afternoon' : 'evening';
  return { title: `${day} from ${clock} is the ${part} to go`, detail: best.summary };
}

/** What most often takes most from the hours that people could use. */
function commonestTrouble({ hours }: HoursResult): string | null {
  const counts = new Map<ReasonCode, number>();
  for (const { inside, facades } of hours) {
    for (const { reasons } of [inside, ...facades]) {
      const worst = reasons[0];
      if (worst && worst.factor < 0.75) counts.set(worst.code, (counts.get(worst.code) ?? 0) + 1);
    }
  }
  const [commonest] = [...counts].sort((a, b) => b[1] - a[1]);
  return commonest ? TROUBLE[commonest[0]] : null;
}
