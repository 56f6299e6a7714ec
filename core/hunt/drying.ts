import type { HuntValue } from './huntRow';

/** What a meter read on one day. */
export interface MeterDay {
  /** Of its first reading, ms since 1970. */
  at: number;
  readings: HuntValue['meter'];
  mean: number;
  highest: number;
}

/** Less than this a day, as a share of the first mean, is no drying. */
const LEAST_A_DAY = 0.02;
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

/** Whether it dries: by how much a day, in the meter's own units; null before a second day. */
export function dryingOf(days: readonly MeterDay[]): { aDay: number; dries: boolean } | null {
  const [first, last] = [days[0], days.at(-1)];
  if (!first || !last || first === last) return null;
  const aDay = (last.mean - first.mean) / Math.max(1 / 24, (last.at - first.at) / DAY);
  return { aDay, dries: aDay < -LEAST_A_DAY * first.mean };
}
