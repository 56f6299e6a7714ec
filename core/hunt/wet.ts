import { dewPointFromHumidity } from '../humidity/saturation';
import { wetBulbFromHumidity } from '../humidity/wetBulb';

/** What a surface's temperature says of water on it. */
export type Wetness = 'condenses' | 'too-cold' | 'may-be-wet' | 'dry-warm' | 'undecided';

export interface WetOrNot {
  dewC: number;
  wetBulbC: number;
  /** Standard uncertainty of a surface against either, K: the surface's own and that of the air. */
  u: number;
  says: Wetness;
}

/** Of a hygrometer, as a fraction, and of a thermometer in the room, K (standard uncertainties). */
const HYGROMETER = 0.03;
const AIR_K = 0.3;
/** Both sides of a limit are told apart from so many standard uncertainties on. */
const SURE = 2;

/**
 * Whether a cold place can be wet: below the dew point water condenses on it; what dries is never colder than the wet bulb; what
 * is as warm as the air dries nowhere.
 *
 * @param surfaceU - standard uncertainty of the surface, K
 * @param humidity - of the room, a fraction above 0 and up to 1
 */
export function wetOrNot(surfaceC: number, surfaceU: number, airC: number, humidity: number): WetOrNot {
  const dewC = dewPointFromHumidity(airC, humidity);
  const wetBulbC = wetBulbFromHumidity(airC, humidity);
  const damper = Math.min(1, humidity + HYGROMETER);
  const u = Math.hypot(surfaceU, AIR_K, dewPointFromHumidity(airC, damper) - dewC);
  const below = (limit: number) => surfaceC < limit - SURE * u;
  const above = (limit: number) => surfaceC > limit + SURE * u;
  const says: Wetness = below(dewC)
    ? 'condenses'
    : !above(dewC)
      ? 'undecided'
      : below(wetBulbC)
        ? 'too-cold'
        : surfaceC < airC - SURE * Math.hypot(surfaceU, AIR_K)
          ? 'may-be-wet'
          : 'dry-warm';
  return { dewC, wetBulbC, u, says };
}

export const WETNESS_WORDS: Record<Wetness, string> = {
  condenses: 'Below the dew point: water condenses here from the air, with or without a leak.',
  'too-cold':
    'Colder than anything that dries in this air, and above the dew point: cold from behind (a gap in the insulation, moving air), not wet by drying.',
  'may-be-wet': 'As cold as drying can make it: wet, or cold from behind. A moisture meter decides.',
  'dry-warm': 'As warm as the air: nothing dries here.',
  undecided: 'Too near the dew point to say: measure air and humidity beside it, or ask the meter.',
};
