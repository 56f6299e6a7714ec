import type { Row } from '../../model/entities';
import { hourQuality } from '../../method/weather/bestSlots';
import { dayNumber } from '../../method/weather/board';
import { momentOf } from '../../ground/localClock';
import type { HoursPlan } from '../../method/weather/plan';
import { scoreHours } from '../../method/weather/scoreHours';
import { USUAL_TIME_CONSTANTS } from '../../method/weather/wallMemory';
import type { Weather } from '../../method/weather/weather';
import { explainSharing, type Explained } from './explainSharing';
import { shareCamera, type Home, type Sharing } from './shareCamera';

export interface LoanHomes {
  loan: Row<'loan'>;
  /** In the order of the waiting list. */
  homes: { row: Row<'loanHome'>; site: Row<'site'> }[];
}

export interface PlannedLoan extends Sharing, Explained {}

/** `18:30` on a day of the local calendar. */
function clockMoment(day: string, clock: string, timeZone: string): number {
  const [hours, minutes] = clock.split(':').map(Number) as [number, number];
  return momentOf(dayNumber(day), hours, timeZone) + minutes * 60_000;
}

/**
 * Shares a loan's camera among its homes: scores every home's hours for the façades that matter to it, finds the best
 * sharing and says what was given up.
 *
 * A home whose place is not known is judged at the loan's place.
 *
 * @param weather - from two days before the loan, so that walls remember
 * @throws CoreError, see shareCamera and scoreHours
 */
export function planLoan({ loan, homes }: LoanHomes, weather: Weather): PlannedLoan {
  const { value } = loan;
  const waiting = homes.map(({ row, site }): Home => {
    const { facades, presences, minutes, travelMinutes } = row.value;
    const { timeZone, latitude, longitude } = site.value;
    const plan: HoursPlan = {
      latitude: latitude ?? value.latitude,
      longitude: longitude ?? value.longitude,
      timezone: timeZone,
      inside_c: value.insideC,
      strictness: value.strictness,
      season: 'weather',
      purpose: 'faults',
      facades: site.value.facades.filter(({ azimuth }) => facades === null || facades.includes(azimuth)),
      time_constants_h: USUAL_TIME_CONSTANTS,
    };
    return {
      id: row.id,
      name: site.value.name,
      minutes,
      travelMinutes,
      presences: presences.map(({ day, from, to }) => ({
        from: clockMoment(day, from, timeZone),
        to: clockMoment(day, to, timeZone),
      })),
      scores: weather.hours.length === 0 ? [] : scoreHours(weather, plan).hours.map(hourQuality),
      scoresFrom: weather.start,
    };
  });
  const span = { from: value.from, to: value.to, timeZone: value.timeZone };
  const sharing = shareCamera(span, waiting);
  return { ...sharing, ...explainSharing(span, waiting, sharing) };
}
