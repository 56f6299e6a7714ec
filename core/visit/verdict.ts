import type { ConditionsValue } from './conditionsRow';

/** Whether frames taken in these conditions are worth reading, in a few words, with the reason. */
export interface Verdict {
  grade: 'good' | 'care' | 'poor' | 'unknown';
  words: string;
}

/** Below this difference between inside and outside most faults drown; K. */
const LEAST_DIFFERENCE_K = 10;
/** Hours after full sun until an ordinary brick wall has forgotten it. */
const SUN_MEMORY_H = 8;
/** Hours after rain until a wall reads as a wall again. */
const RAIN_MEMORY_H = 12;
/** Wind above which outdoor readings lose their meaning, m/s. */
const STRONG_WIND_MS = 5;

/**
 * Judges conditions by the usual rules of the trade: 10 K or more between inside and outside, no recent sun or rain, no
 * strong wind. The worst reason is named. Numbers are common practice, not law.
 */
export function judgeConditions(conditions: ConditionsValue | undefined): Verdict {
  if (!conditions || conditions.insideC === null || conditions.outsideC === null) {
    return { grade: 'unknown', words: 'Inside and outside not noted' };
  }
  const difference = Math.abs(conditions.insideC - conditions.outsideC);
  if (difference < LEAST_DIFFERENCE_K) return { grade: 'poor', words: `Too small a difference: ${difference.toFixed(0)} K` };
  if (conditions.rainHours !== null && conditions.rainHours < RAIN_MEMORY_H) {
    return { grade: 'care', words: `Rain ${conditions.rainHours} h ago: walls outside may be wet` };
  }
  if (conditions.sunHours !== null && conditions.sunHours < SUN_MEMORY_H) {
    return { grade: 'care', words: `Sun ${conditions.sunHours} h ago: walls may still be warm` };
  }
  if (conditions.windMs !== null && conditions.windMs > STRONG_WIND_MS) {
    return { grade: 'care', words: 'Windy: inside only' };
  }
  return { grade: 'good', words: 'Good to read' };
}
