import { INSTRUMENT_U } from '../../ground/instruments';
import { dewPointFromHumidity, saturationPressure } from '../../ground/saturation';

export const WET_WALLS = ['outer', 'inner', 'floor'] as const;
/** What a surface belongs to: what cools it from behind. */
export type WetWall = (typeof WET_WALLS)[number];

/** A surface that may be wet, in air that was measured. */
export interface Patch {
  surfaceC: number;
  /** Standard uncertainty of the surface's temperature, K. */
  surfaceU: number;
  airC: number;
  /** Of the room, a fraction above 0 and up to 1. */
  humidity: number;
  wall: WetWall;
  /** Air outdoors, or ground; null where nobody knows it. Behind an inner wall it is as warm as the air. */
  behindC: number | null;
  /** Heat comes from below: floor heating, a hot pipe, a hot leak. */
  coverHeated: boolean;
}

/** What a surface's temperature says of water on it. */
export type Wetness = 'condensing' | 'drying-wet-possible' | 'not-wet' | 'cannot-say';

export interface WetOrNot {
  dewC: number;
  /** The warmest that a wet patch of this kind could be, °C. */
  warmestC: number;
  /** Standard uncertainties of the surface against either, K: its own and those of air, humidity and what lies behind. */
  dewU: number;
  warmestU: number;
  says: Wetness;
}

const { thermometerK: AIR_U, hygrometer: HUMIDITY_U, behindK: BEHIND_U } = INSTRUMENT_U;
/** What condenses or cannot be wet is said from so many standard uncertainties on. */
const SURE_DRY = 1.9;
const SURE_DEW = 1.3;
/** Above the dew point by this share of its uncertainty, drying is as likely as condensing. */
const CLEAR_OF_DEW = 0.5;

/** A wet patch evaporates at least half of what free water would. */
const LEAST_WET = 0.5;
/** Convection and radiation at a surface indoors, W/(m²·K), and what surrounds it beside the air, K. */
const CONVECTION = [1.5, 4.5] as const;
const MOST_RADIATION = 5.5;
const SURROUND_K = 0.5;
/** Lewis' relation: evaporation for each pascal over convection for each kelvin, 1/66 Pa/K. */
const LEWIS_PA_K = 66;
/** From the surface to what lies behind, m²K/W, and how warm that may be where nobody knows it, °C. */
const BEHIND: Record<WetWall, { resistance: readonly [number, number]; warmestC: number | null }> = {
  outer: { resistance: [0.2, 2.5], warmestC: 12 },
  inner: { resistance: [0.3, 1], warmestC: null },
  floor: { resistance: [0.5, 3], warmestC: 16 },
};
/** Behind an inner wall it is as warm as the air to this, K. */
const INNER_K = 1;
/** Most that comes from below, W/m². */
const MOST_HEAT = 110;

/**
 * Whether a place can be wet. Below the dew point water condenses on it. What dries can be as cold as that, where something cools
 * it from behind, and no warmer than the balance of evaporation, convection, radiation and what comes from behind allows.
 */
export function wetOrNot(patch: Patch): WetOrNot {
  const { surfaceC, surfaceU, airC, humidity } = patch;
  const damp = (change: number) => Math.min(1, Math.max(0.01, humidity + change));
  const dewC = dewPointFromHumidity(airC, humidity);
  const dewU = Math.hypot(
    surfaceU,
    dewPointFromHumidity(airC + AIR_U, humidity) - dewC,
    (dewPointFromHumidity(airC, damp(HUMIDITY_U)) - dewPointFromHumidity(airC, damp(-HUMIDITY_U))) / 2,
  );
  const warmestC = warmestWet(patch);
  const warmestU = Math.hypot(
    surfaceU,
    warmestWet({ ...patch, airC: airC + AIR_U }) - warmestC,
    (warmestWet({ ...patch, humidity: damp(HUMIDITY_U) }) - warmestWet({ ...patch, humidity: damp(-HUMIDITY_U) })) / 2,
    patch.behindC === null ? 0 : warmestWet({ ...patch, behindC: patch.behindC + BEHIND_U }) - warmestC,
  );
  const says: Wetness =
    surfaceC < dewC - SURE_DEW * dewU
      ? 'condensing'
      : surfaceC > warmestC + SURE_DRY * warmestU
        ? 'not-wet'
        : surfaceC > dewC + CLEAR_OF_DEW * dewU
          ? 'drying-wet-possible'
          : 'cannot-say';
  return { dewC, warmestC, dewU, warmestU, says };
}

/** The warmest that a patch which is at least half wet could be, °C: never below the dew point. */
function warmestWet({ airC, humidity, wall, behindC, coverHeated }: Patch): number {
  const { resistance, warmestC } = BEHIND[wall];
  const behind = wall === 'inner' ? airC + INNER_K : (behindC ?? warmestC!);
  const vapour = humidity * saturationPressure(airC);
  const heat = coverHeated ? MOST_HEAT : 0;
  const balanced = CONVECTION.flatMap((convection) =>
    resistance.map((toBehind) => {
      // Falls with the surface's temperature: halved until it is found.
      const gain = (s: number) =>
        convection * (airC - s) +
        MOST_RADIATION * (airC + SURROUND_K - s) +
        (behind - s) / toBehind +
        heat -
        ((LEAST_WET * convection) / LEWIS_PA_K) * (saturationPressure(s) - vapour);
      let [low, high] = [-60, 100];
      for (let step = 0; step < 40; step += 1) {
        const middle = (low + high) / 2;
        if (gain(middle) > 0) low = middle;
        else high = middle;
      }
      return (low + high) / 2;
    }),
  );
  return Math.max(dewPointFromHumidity(airC, humidity), ...balanced);
}

export const WETNESS_WORDS: Record<Wetness, string> = {
  condensing: 'Below the dew point: water condenses here from the air, with or without a leak.',
  'drying-wet-possible':
    'Between the dew point and the warmest that drying leaves a wet place here: wet, or cold from behind. A moisture meter decides.',
  'not-wet': 'Warmer than any wet place of this kind could be in this air: not wet by now.',
  'cannot-say': 'Too near the dew point to say: measure air and humidity beside it, or ask the meter.',
};
