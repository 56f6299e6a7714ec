import { number } from '../../ground/format';
import type { HoursPlan } from './plan';
import { dewPointFromHumidity } from '../../ground/saturation';
import { along, BEAM, COLD_SKY_K, DEW, FOG, FOG_PCT, GAIN, RULES, SUN_IN_ROOM, SUN_ON_WALL } from './rules';
import type { WeatherHour } from './weather';
import { dryingRate, DRYING_H, RAIN_FROM_MM } from './wetness';

export type ReasonCode =
  | 'difference'
  | 'following'
  | 'sun'
  | 'sun-memory'
  | 'rain'
  | 'wet'
  | 'dew'
  | 'fog'
  | 'wind'
  | 'daylight'
  | 'clear-sky'
  | 'snow'
  | 'windows'
  | 'gain'
  | 'photos';

/** Which way heat flows. */
export type Season = 'heated' | 'cooled';

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
  /** Between inside and outside, whichever is warmer. */
  differenceK: number;
  season: Season;
  wetness: number;
  /** Contrast on the inner faces against that in balance: the mean of |ln|, and of the shares. */
  offInside: number;
  shareInside: number;
  /** The coldest outer face in the shade, °C. */
  faceC: number;
  plan: HoursPlan;
}

function differenceReason({ differenceK, season, plan }: Now): Reason {
  const factor = along(RULES[plan.strictness].difference, differenceK);
  const kelvin = `${number(differenceK, 1)} K`;
  if (differenceK === 0 && plan.season !== 'weather')
    return {
      code: 'difference',
      factor,
      words: `as ${season === 'heated' ? 'warm' : 'cool'} outside as inside, or more: nothing shows`,
    };
  const where =
    season === 'cooled' ? `${kelvin} warmer outside: faults show warm inside` : `${kelvin} between inside and outside`;
  return { code: 'difference', factor, words: factor < 0.75 ? `only ${where}, frames will be flat and grainy` : where };
}

/** What walls that are so far from balance with this hour's air take from a picture; 1 for nothing worth saying. */
function followingFactor(off: number, { plan }: Now): number {
  return along(RULES[plan.strictness].following, off);
}

/** Beyond this no rule of thumb for the dew point errs, K. */
const FAR_FROM_DEW_K = 2.5;

/** Outer faces that are colder than the air's dew or frost point, or nearly: they are wet or white. */
function addDew(reasons: Reason[], { hour, faceC }: Now): void {
  const { temperatureC, humidityPct } = hour;
  const humidity = Math.min(1, Math.max(0.01, humidityPct / 100));
  // Most hours are far from it: the point lies a kelvin under the air for every five or six per cent that it lacks.
  if (faceC > temperatureC - (100 - humidityPct) / 6 + FAR_FROM_DEW_K) return;
  const point = dewPointFromHumidity(temperatureC, humidity);
  const factor = along(DEW, faceC - point);
  const what = faceC < 0 ? 'frost' : 'dew';
  const words =
    faceC < point ? `${what} on the walls: they are colder than the air’s ${what} point` : `walls close to the ${what} point`;
  reasons.push({ code: 'dew', factor, words });
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
  if (hour.humidityPct >= FOG_PCT)
    reasons.push({ code: 'fog', factor: FOG, words: 'fog: drops between camera and wall take the contrast, and wet it' });
  else addDew(reasons, now);
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

/** What sun and air do and did to one façade. */
export interface FacadeNow {
  /** `south wall` */
  wall: string;
  /** What is said of it when it has not followed the weather. */
  late: string;
  /** K over the same wall in the shade, at its worst within the hour. */
  excessK: number;
  /** Beam that falls on it now, W/m². */
  beam: number;
  /** Hours since sun was on it: 0 now, Infinity not yet. */
  sinceH: number;
  /** Hours until the sun's excess no longer counts, in this weather. */
  waitH: number;
  /** Contrast on the outer face against that in balance, as |ln|. */
  off: number;
}

/** Reasons of one façade's own. */
export function facadeReasons(now: Now, { wall, late, excessK, beam, sinceH, waitH, off }: FacadeNow): Reason[] {
  const { sunExcess } = RULES[now.plan.strictness];
  const reasons: Reason[] = [];
  if (beam > SUN_ON_WALL) reasons.push({ code: 'sun', factor: along(BEAM, beam), words: `sun on the ${wall}` });
  const factor = along(sunExcess, excessK);
  const following = followingFactor(off, now);
  // Sun in a wall is one way of not being in balance: it is counted once, as what weighs more.
  if (factor < 1 && factor <= following) {
    const until = sinceH === 0 ? '' : `, about ${Math.max(1, Math.round(waitH))} h to wait`;
    const kelvin = `${number(excessK, 1)} K`;
    const words = sinceH < 24 ? `${wall} still ${kelvin} over the shade` : `daylight keeps the ${wall} ${kelvin} up`;
    reasons.push({ code: 'sun-memory', factor, words: words + until });
  } else if (following < 1) reasons.push({ code: 'following', factor: following, words: late });
  return reasons;
}

/** Reasons for a round inside in this hour. */
export function insideReasons(now: Now): Reason[] {
  const { hour, plan } = now;
  const rules = RULES[plan.strictness];
  const reasons = [differenceReason(now)];
  const following = followingFactor(now.offInside, now);
  if (following < 1) {
    const share = Math.round(100 * now.shareInside);
    const words = share < 100 ? `the walls show ${share} % of what they will` : 'the walls still show the weather before';
    reasons.push({ code: 'following', factor: following, words });
  }
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
