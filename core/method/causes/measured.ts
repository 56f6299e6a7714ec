import { requireRange } from '../../ground/errors';
import type { Side } from '../../ground/side';
import { dewPointFromHumidity } from '../../ground/saturation';
import { wetBulbFromHumidity } from '../../ground/wetBulb';
import { evidenceOf, type Evidence, type Setting, type Shown } from './evidence';

/** What causes are argued from, with the numbers that their sentences state: all of it can be stored and argued anew. */
export interface Measured extends Setting {
  evidence: Evidence;
  /** Mean of the place less its surroundings, K. */
  contrastK: number;
  /** Where it is strongest, °C. */
  extremeC: number;
  /** Of the surface in view, 0 … 1. */
  share: number;
}

/** Where and in what air a frame was taken; null for what nobody knows. */
export interface Air {
  side: Side;
  insideC: number | null;
  /** Beyond what is seen, from the house's inside: outdoors, or the space looked from. */
  outsideC: number | null;
  /** Of the air on the side that is looked at, 0 … 1. */
  humidity: number | null;
}

/**
 * What the air allows and what can be expected of it.
 *
 * @throws CoreError `out_of_range` for air that no house has: −60 … 60 °C, humidity 0 … 1
 */
export function settingOf({ side, insideC, outsideC, humidity }: Air): Setting {
  if (insideC !== null) requireRange('inside', insideC, -60, 60);
  if (outsideC !== null) requireRange('outside', outsideC, -60, 60);
  if (humidity !== null) requireRange('humidity', 100 * humidity, 0, 100);
  const air = side === 'inside' ? insideC : outsideC;
  const known = air !== null && humidity !== null && humidity > 0;
  return {
    side,
    insideC,
    outsideC,
    wetBulbC: known ? wetBulbFromHumidity(air, humidity) : null,
    dewPointC: known ? dewPointFromHumidity(air, humidity) : null,
  };
}

export function measuredOf(candidate: Shown, setting: Setting): Measured {
  return {
    ...setting,
    evidence: evidenceOf(candidate, setting),
    contrastK: candidate.contrast,
    extremeC: candidate.extremeC,
    share: candidate.share,
  };
}
