import { HOUR_MS } from '../../ground/localClock';
import { CoreError } from '../../ground/errors';
import { dayOfYear, facadeBeam, facadeIrradiance, type Irradiance, irradiance } from './irradiance';
import { compassWord, type HoursPlan } from './plan';
import { rated, type Score } from './rated';
import { facadeReasons, gainReasons, insideReasons, outsideReasons, type Now, type Season } from './reasons';
import { RULES, SUN_ON_WALL } from './rules';
import { facingTemperature, outerFilm, skyTemperature } from './sky';
import { sunPosition, type SunPosition } from './sun';
import { ABSORPTANCE, USUAL_TIME_CONSTANTS, type Wall } from './wallMemory';
import { kindsOf, wallResponse } from './wallResponse';
import { type Weather, type WeatherHour } from './weather';
import { nextWetness, RAIN_FROM_MM, rainReaching } from './wetness';

export interface FacadeScore extends Score {
  azimuth: number;
  /** K over the same wall in the shade, at its worst within the hour. */
  sunExcessK: number;
}

export interface HourScore {
  /** Milliseconds since 1970, UTC; the hour begins here. */
  time: number;
  /** Which way heat flows in this hour's air: out of a heated house, or into a cooled one. */
  season: Season;
  inside: Score & {
    /** Between inside and outside, whichever is warmer, K. */
    differenceK: number;
    /** Smallest fault that shows as half a kelvin on the inner face: extra heat loss of the patch, W/m²K; null below 1 K. */
    smallestFaultWm2K: number | null;
    /** Whether difference and walls will do for U-values and the like. */
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
  /** Which way heat flows most of the time, by how strongly. */
  season: Season;
  /** Whether the weather says its rain; where it does not, no hour is called dry. */
  rainKnown: boolean;
  hours: HourScore[];
}

/** Contrast that is seen without stretching the colours, K. */
const READABLE_K = 0.5;
/** Inner film resistance of ISO 6946, horizontal heat flow, m²K/W. */
const INNER_FILM_RESISTANCE = 0.13;
const NUMBERS_K = 15;
/** Walls whose wetness differs by less are as wet as each other. */
const SAME_WETNESS = 0.02;
/** For numbers the contrast on the inner face has to be within this of balance, as |ln|: 15 %. */
const NUMBERS_OFF = Math.log(1 / 0.85);
/** The wall that is assumed where nobody said which way the house faces. */
const USUAL_WALL: Wall = 'brick';

interface Light {
  sun: SunPosition;
  beam: Irradiance;
}

/**
 * Scores every hour of a weather series, inside and by façade, with reasons.
 *
 * Walls remember sun and air; they begin in balance with the first day, so let the series begin some days before the first
 * hour that matters: three for brick, five for stone. Heat may flow either way, hour by hour.
 *
 * @throws CoreError `out_of_range`, `empty_file`
 *
 * Cost grows linearly with hours × façades.
 */
export function scoreHours(weather: Weather, plan: HoursPlan): HoursResult {
  if (weather.hours.length === 0)
    throw new CoreError('empty_file', 'There is no hour of weather to score.', {}, 'Bring a weather file or take the forecast.');
  const lights = weather.hours.map((hour, i): Light => {
    const time = weather.start + i * HOUR_MS;
    // The middle of the hour stands for it.
    const sun = sunPosition(time + HOUR_MS / 2, plan.latitude, plan.longitude);
    return { sun, beam: irradiance(sun.altitudeDeg, dayOfYear(time), hour.cloudPct / 100) };
  });
  const walls = wallsIn(weather, plan, lights);
  const names = plan.facades.map(({ azimuth }) => `${compassWord(azimuth)} wall`);
  const lates = names.map((name) => `the ${name} has not followed the change of air and sun yet`);
  const { sunExcess } = RULES[plan.strictness];
  const waits = walls.facades.map(({ sunExcessK }) => hoursUntilAtMost(sunExcessK, sunExcess[0]![0]));
  const sinceSun = plan.facades.map(() => Infinity);
  const forFaults = plan.purpose === 'faults';
  let wetness = 0;
  // Rain that is driven wets one side; without directions all sides are as wet.
  const driven = forFaults && weather.hours.some(({ windFromDeg }) => windFromDeg !== null);
  const own = plan.facades.map(() => 0);
  let dryForH: number | null = null;
  let leaning = 0;
  const hours = weather.hours.map((hour, i): HourScore => {
    const { sun, beam: light } = lights[i]!;
    const wetBefore = wetness;
    wetness = nextWetness(wetness, hour);
    dryForH = hour.rainMm >= RAIN_FROM_MM ? 0 : dryForH === null ? null : dryForH + 1;
    const outwards = plan.inside_c - hour.temperatureC;
    leaning += outwards;
    const season = plan.season === 'weather' ? (outwards >= 0 ? 'heated' : 'cooled') : plan.season;
    const offInside = walls.offInside[i]!;
    const now: Now = {
      hour,
      sunAltitudeDeg: sun.altitudeDeg,
      beam: light.beam,
      skyC: walls.skyC[i]!,
      differenceK: Math.max(0, season === 'heated' ? outwards : -outwards),
      season,
      wetness: Math.max(wetness, wetBefore),
      offInside,
      shareInside: walls.shareInside[i]!,
      faceC: walls.coldestFaceC[i]!,
      plan,
    };
    const outside = rated(forFaults ? outsideReasons(now) : []);
    const sideOf = (k: number, azimuth: number): Score => {
      const before = own[k]!;
      own[k] = nextWetness(before, hour, rainReaching(hour, azimuth));
      const wet = Math.max(own[k], before);
      return Math.abs(wet - now.wetness) < SAME_WETNESS ? outside : rated(outsideReasons({ ...now, wetness: wet }));
    };
    const facades = plan.facades.map((facade, k): FacadeScore => {
      const { sunExcessK, offOutside } = walls.facades[k]!;
      const excessK = sunExcessK[i]!;
      const beam = facadeBeam(sun, light, facade.azimuth);
      sinceSun[k] = beam > SUN_ON_WALL ? 0 : sinceSun[k]! + 1;
      const common = driven ? sideOf(k, facade.azimuth) : outside;
      const reasonsHere = forFaults
        ? facadeReasons(now, {
            wall: names[k]!,
            late: lates[k]!,
            excessK,
            beam,
            sinceH: sinceSun[k]!,
            waitH: waits[k]![i]!,
            off: offOutside[i]!,
          })
        : gainReasons(now, beam);
      // Most hours of most façades have no reason of their own: they share the hour's list.
      const { score, reasons } = reasonsHere.length === 0 ? common : rated(common.reasons.concat(reasonsHere));
      return { azimuth: facade.azimuth, sunExcessK: excessK, score, reasons };
    });
    const inside = rated(forFaults ? insideReasons(now) : gainReasons(now, light.beam));
    const { differenceK } = now;
    return {
      time: weather.start + i * HOUR_MS,
      season: now.season,
      inside: {
        score: inside.score,
        reasons: inside.reasons,
        differenceK,
        smallestFaultWm2K: differenceK >= 1 ? READABLE_K / (INNER_FILM_RESISTANCE * differenceK) : null,
        forNumbers: differenceK >= NUMBERS_K && offInside <= NUMBERS_OFF,
      },
      facades,
      sunAltitudeDeg: sun.altitudeDeg,
      skyC: now.skyC,
      weather: hour,
      dryForH,
    };
  });
  const rainKnown = !weather.warnings.some(({ code }) => code === 'no_rain');
  return { season: plan.season === 'weather' ? (leaning >= 0 ? 'heated' : 'cooled') : plan.season, rainKnown, hours };
}

interface Walls {
  skyC: Float64Array;
  /** Of all outer faces in the shade, the coldest. */
  coldestFaceC: Float64Array;
  /** Means over the façades: how far inner faces are from balance, and their share of it. */
  offInside: Float64Array;
  shareInside: Float64Array;
  /** As the plan has them; one in the shade where it has none. */
  facades: { sunExcessK: Float64Array; offOutside: Float64Array }[];
}

/** How the plan's walls stand in this weather. */
function wallsIn(weather: Weather, plan: HoursPlan, lights: readonly Light[]): Walls {
  const { hours } = weather;
  const skyC = Float64Array.from(hours, ({ temperatureC, cloudPct }) => skyTemperature(temperatureC, cloudPct / 100));
  const film = new Float64Array(hours.length);
  const outerC = new Float64Array(hours.length);
  hours.forEach(({ temperatureC, windMs }, i) => {
    const { convection, radiation } = outerFilm(windMs, temperatureC);
    film[i] = convection + radiation;
    outerC[i] = (convection * temperatureC + radiation * facingTemperature(temperatureC, skyC[i]!)) / film[i]!;
  });
  const shade = new Float64Array(hours.length);
  const facades = plan.facades.map(({ azimuth, wall }) => ({
    wall,
    sun: Float64Array.from(lights, ({ sun, beam }) => ABSORPTANCE * facadeIrradiance(sun, beam, azimuth)),
  }));
  const all = facades.length > 0 ? facades : [{ wall: USUAL_WALL, sun: shade }];
  const responses = new Map(
    kindsOf(all.map(({ wall }) => wall)).map((kind) => {
      const own = all.filter(({ wall }) => wall === kind);
      const slower = plan.time_constants_h[kind] / USUAL_TIME_CONSTANTS[kind];
      return [
        kind,
        { own, response: wallResponse(kind, { outerC, film, insideC: plan.inside_c, sun: own.map(({ sun }) => sun) }, slower) },
      ];
    }),
  );
  const faces = [...responses.values()].map(({ response }) => response.faceC);
  const offInside = new Float64Array(hours.length);
  const shareInside = new Float64Array(hours.length);
  for (const { own, response } of responses.values()) {
    for (let k = 0; k < own.length; k += 1) {
      for (let i = 0; i < hours.length; i += 1) {
        offInside[i]! += response.offInside[k]![i]! / all.length;
        shareInside[i]! += response.shareInside[k]![i]! / all.length;
      }
    }
  }
  return {
    skyC,
    coldestFaceC: Float64Array.from(shade, (_, i) => Math.min(...faces.map((face) => face[i]!))),
    offInside,
    shareInside,
    facades: all.map((facade) => {
      const { own, response } = responses.get(facade.wall)!;
      const k = own.indexOf(facade);
      return { sunExcessK: response.sunExcessK[k]!, offOutside: response.offOutside[k]! };
    }),
  };
}

/** By hour: how many hours it takes until the excess is at most so much; as many as there are hours left where it never is. */
function hoursUntilAtMost(excessK: Float64Array, limit: number): Float64Array {
  const waits = new Float64Array(excessK.length);
  let wait = 0;
  for (let i = excessK.length - 1; i >= 0; i -= 1) {
    wait = excessK[i]! <= limit ? 0 : wait + 1;
    waits[i] = wait;
  }
  return waits;
}
