import { number } from '../units/format';
import type { HoursPlan } from './plan';
import { along, BEAM, COLD_SKY_K, GAIN, RULES, SUN_IN_ROOM, SUN_ON_WALL } from './rules';
import { hoursUntilBelow } from './wallMemory';
import type { WeatherHour } from './weather';
import { dryingRate, DRYING_H, RAIN_FROM_MM } from './wetness';

export type ReasonCode =
  | 'difference'
  | 'sun'
  | 'sun-memory'
  | 'rain'
  | 'wet'
  | 'wind'
  | 'daylight'
  | 'clear-sky'
  | 'snow'
  | 'windows'
  | 'gain'
  | 'photos';

/** Why an hour is worth what it is: the factor that it multiplies the score by (1: only worth knowing), and words. */
export interface Reason {
  code: ReasonCode;
  factor: number;
  words: string;
}

/** What is known of one hour when its reasons are given. */
export interface Now {
  hour: WeatherHour;
  sunAltitudeDeg: number;
  beam: number;
  skyC: number;
  differenceK: number;
  season: 'heated' | 'cooled';
  wetness: number;
  plan: HoursPlan;
}

function differenceReason({ differenceK, season, plan }: Now): Reason {
  const factor = along(RULES[plan.strictness].difference, differenceK);
  const kelvin = `${number(Math.max(0, differenceK), 1)} K`;
  if (differenceK <= 0) {
    const words =
      season === 'heated' ? 'not colder outside than inside' : 'not warmer outside than inside: nothing drives heat in';
    return { code: 'difference', factor, words };
  }
  const where =
    season === 'cooled' ? `${kelvin} warmer outside: faults show warm inside` : `${kelvin} between inside and outside`;
  return { code: 'difference', factor, words: factor < 0.75 ? `only ${where}, frames will be flat and grainy` : where };
}

/** Reasons that hold for every façade in this hour, from outside. */
export function outsideReasons(now: Now): Reason[] {
  const { hour, plan } = now;
  const rules = RULES[plan.strictness];
  const reasons = [differenceReason(now)];
  if (hour.rainMm >= RAIN_FROM_MM) {
    const what = hour.temperatureC <= 0.5 ? 'snow' : 'rain';
    reasons.push({ code: 'rain', factor: 0, words: `${what}, ${number(hour.rainMm, 1)} mm in the hour` });
  } else {
    const factor = along(rules.wetness, now.wetness);
    if (factor < 1) {
      const wait = Math.ceil((now.wetness * DRYING_H) / dryingRate(hour));
      reasons.push({ code: 'wet', factor, words: `walls still wet, about ${wait} h to dry` });
    }
  }
  const wind = along(rules.wind, hour.windMs);
  if (wind < 1) reasons.push({ code: 'wind', factor: wind, words: `wind ${number(hour.windMs, 1)} m/s` });
  if (rules.daylight < 1 && now.sunAltitudeDeg > -0.833)
    reasons.push({ code: 'daylight', factor: rules.daylight, words: 'daylight: the strict school waits for the dark' });
  if (hour.temperatureC - now.skyC > COLD_SKY_K) {
    const words = 'a cold clear sky mirrors in glass and on roofs: keep it out of the frame';
    reasons.push({ code: 'clear-sky', factor: 0.97, words });
  }
  if ((hour.snowCm ?? 0) >= 1) {
    const words = `${number(hour.snowCm!, 0)} cm of snow hides plinth and roof; where it melted tells something`;
    reasons.push({ code: 'snow', factor: 0.85, words });
  }
  if (now.sunAltitudeDeg < -6) reasons.push({ code: 'photos', factor: 1, words: 'no daylight for photos' });
  return reasons;
}

/** What the sun does and did to one façade. */
export interface SunOnFacade {
  /** `south wall` */
  wall: string;
  timeConstantH: number;
  /** K over the same wall in the shade, at its worst within the hour. */
  excessK: number;
  /** Beam that falls on it now, W/m². */
  beam: number;
  /** Hours since sun was on it: 0 now, Infinity not yet. */
  sinceH: number;
}

/** Reasons of one façade's own. */
export function sunReasons({ plan }: Now, { wall, timeConstantH, excessK, beam, sinceH }: SunOnFacade): Reason[] {
  const { sunExcess } = RULES[plan.strictness];
  const reasons: Reason[] = [];
  if (beam > SUN_ON_WALL) reasons.push({ code: 'sun', factor: along(BEAM, beam), words: `sun on the ${wall}` });
  const factor = along(sunExcess, excessK);
  if (factor < 1) {
    const wait = hoursUntilBelow(excessK, sunExcess[0]![0], timeConstantH);
    const until = sinceH === 0 ? '' : `, about ${Math.max(1, Math.round(wait))} h to wait`;
    const kelvin = `${number(excessK, 1)} K`;
    const words = sinceH < 24 ? `${wall} still ${kelvin} over the shade` : `daylight keeps the ${wall} ${kelvin} up`;
    reasons.push({ code: 'sun-memory', factor, words: words + until });
  }
  return reasons;
}

/** Reasons for a round inside in this hour. */
export function insideReasons(now: Now): Reason[] {
  const { hour, plan } = now;
  const rules = RULES[plan.strictness];
  const reasons = [differenceReason(now)];
  const wind = along(rules.windInside, hour.windMs);
  if (wind < 1) reasons.push({ code: 'wind', factor: wind, words: `wind ${number(hour.windMs, 1)} m/s: drafts come and go` });
  if (now.sunAltitudeDeg > 0 && now.beam > SUN_IN_ROOM)
    reasons.push({ code: 'windows', factor: rules.windows, words: 'sun through windows warms floors and panes' });
  return reasons;
}

/** The other way round: sun is what is looked for. */
export function gainReasons({ hour }: Now, beam: number): Reason[] {
  const reasons: Reason[] = [
    { code: 'gain', factor: along(GAIN, beam), words: beam < 1 ? 'no sun' : `${number(beam, 0)} W/m² of sun` },
  ];
  if (hour.rainMm >= RAIN_FROM_MM)
    reasons.push({ code: 'rain', factor: 0, words: `rain, ${number(hour.rainMm, 1)} mm in the hour` });
  return reasons;
}
