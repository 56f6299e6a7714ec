import { CoreError } from '../errors';
import { dayOfYear, facadeBeam, facadeIrradiance, irradiance } from './irradiance';
import { compassWord, type HoursPlan } from './plan';
import { gainReasons, insideReasons, outsideReasons, sunReasons, type Now, type Reason } from './reasons';
import { SUN_ON_WALL } from './rules';
import { skyTemperature } from './sky';
import { sunPosition } from './sun';
import { ABSORPTANCE, nextSunExcess, OUTER_FILM } from './wallMemory';
import { HOUR_MS, type Weather, type WeatherHour } from './weather';
import { nextWetness, RAIN_FROM_MM } from './wetness';

export interface Score {
  /** 0 useless … 1 as good as it gets. */
  score: number;
  /** What weighs most first; the difference is always among them. */
  reasons: Reason[];
}

export interface FacadeScore extends Score {
  azimuth: number;
  /** K over the same wall in the shade, at its worst within the hour. */
  sunExcessK: number;
}

export interface HourScore {
  /** Milliseconds since 1970, UTC; the hour begins here. */
  time: number;
  inside: Score & {
    /** Inside over outside, or the other way round for a cooled house, K; negative when the wrong way round. */
    differenceK: number;
    /** Smallest fault that shows as half a kelvin on the inner face: extra heat loss of the patch, W/m²K; null below 1 K. */
    smallestFaultWm2K: number | null;
    /** Whether the difference will do for U-values and the like. */
    forNumbers: boolean;
  };
  facades: FacadeScore[];
  sunAltitudeDeg: number;
  skyC: number;
  weather: WeatherHour;
  /** Hours since it last rained; null when it has not in this weather. */
  dryForH: number | null;
}

export interface HoursResult {
  season: 'heated' | 'cooled';
  hours: HourScore[];
}

/** Contrast that is seen without stretching the colours, K. */
const READABLE_K = 0.5;
/** Inner film resistance of ISO 6946, horizontal heat flow, m²K/W. */
const INNER_FILM_RESISTANCE = 0.13;
const NUMBERS_K = 15;

/**
 * Scores every hour of a weather series, inside and by façade, with reasons.
 *
 * Sun and its memory start from a wall without memory at the first hour: let the series begin two days before the first
 * hour that matters. The season is told by the sign of the mean difference between outside and the expected inside.
 *
 * @throws CoreError `out_of_range`, `empty_file`
 *
 * Cost grows linearly with hours × façades.
 */
export function scoreHours(weather: Weather, plan: HoursPlan): HoursResult {
  if (weather.hours.length === 0)
    throw new CoreError('empty_file', 'There is no hour of weather to score.', {}, 'Bring a weather file or take the forecast.');
  const mean = weather.hours.reduce((sum, hour) => sum + hour.temperatureC, 0) / weather.hours.length;
  const season = mean > plan.inside_c ? 'cooled' : 'heated';
  const excess = plan.facades.map(() => 0);
  const sinceSun = plan.facades.map(() => Infinity);
  const walls = plan.facades.map(({ azimuth }) => `${compassWord(azimuth)} wall`);
  let wetness = 0;
  let dryForH: number | null = null;
  const hours = weather.hours.map((hour, i): HourScore => {
    const time = weather.start + i * HOUR_MS;
    // The middle of the hour stands for it.
    const sun = sunPosition(time + HOUR_MS / 2, plan.latitude, plan.longitude);
    const light = irradiance(sun.altitudeDeg, dayOfYear(time), hour.cloudPct / 100);
    const skyC = skyTemperature(hour.temperatureC, hour.cloudPct / 100);
    const wetBefore = wetness;
    wetness = nextWetness(wetness, hour);
    dryForH = hour.rainMm >= RAIN_FROM_MM ? 0 : dryForH === null ? null : dryForH + 1;
    const differenceK = season === 'heated' ? plan.inside_c - hour.temperatureC : hour.temperatureC - plan.inside_c;
    const now: Now = {
      hour,
      sunAltitudeDeg: sun.altitudeDeg,
      beam: light.beam,
      skyC,
      differenceK,
      season,
      wetness: Math.max(wetness, wetBefore),
      plan,
    };
    const forFaults = plan.purpose === 'faults';
    const outside = rated(forFaults ? outsideReasons(now) : []);
    const facades = plan.facades.map((facade, k): FacadeScore => {
      const gain = (ABSORPTANCE * facadeIrradiance(sun, light, facade.azimuth)) / OUTER_FILM;
      const timeConstantH = plan.time_constants_h[facade.wall];
      const before = excess[k]!;
      excess[k] = nextSunExcess(before, gain, 1, timeConstantH);
      const excessK = Math.max(before, excess[k]!);
      const beam = facadeBeam(sun, light, facade.azimuth);
      sinceSun[k] = beam > SUN_ON_WALL ? 0 : sinceSun[k]! + 1;
      const own = forFaults
        ? sunReasons(now, { wall: walls[k]!, timeConstantH, excessK, beam, sinceH: sinceSun[k]! })
        : gainReasons(now, beam);
      // Most hours of most façades have no reason of their own: they share the hour's list.
      const { score, reasons } = own.length === 0 ? outside : rated(outside.reasons.concat(own));
      return { azimuth: facade.azimuth, sunExcessK: excessK, score, reasons };
    });
    const inside = rated(forFaults ? insideReasons(now) : gainReasons(now, light.beam));
    return {
      time,
      inside: {
        score: inside.score,
        reasons: inside.reasons,
        differenceK,
        smallestFaultWm2K: differenceK >= 1 ? READABLE_K / (INNER_FILM_RESISTANCE * differenceK) : null,
        forNumbers: differenceK >= NUMBERS_K,
      },
      facades,
      sunAltitudeDeg: sun.altitudeDeg,
      skyC,
      weather: hour,
      dryForH,
    };
  });
  return { season, hours };
}

/** Multiplies and sorts in place, by insertion: the lists are short and there are hundreds of thousands of them in a year. */
function rated(reasons: Reason[]): Score {
  let score = 1;
  for (let i = 0; i < reasons.length; i += 1) {
    const reason = reasons[i]!;
    score *= reason.factor;
    let k = i - 1;
    for (; k >= 0 && reasons[k]!.factor > reason.factor; k -= 1) reasons[k + 1] = reasons[k]!;
    reasons[k + 1] = reason;
  }
  return { score, reasons };
}
