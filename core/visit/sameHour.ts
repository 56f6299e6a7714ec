import { AIR_K, LEAST_DRIVE_K } from '../compare/change';
import type { VisitDocument } from '../document';
import type { Comparison } from './readings';
import { conditionsOf } from './theVisit';

/** Half an interval of 95 %, in standard uncertainties. */
const HALF = 1.96;

/** Two places at one hour, each by where its surface lies between the air outside (0) and inside (1). */
export interface SameHour {
  thisFactor: number;
  thatFactor: number;
  /** The first less the second, with its standard uncertainty. */
  difference: number;
  uncertainty: number;
}

/**
 * Two places that were looked at from inside at one hour as temperature factors (T − outside) / (inside − outside): the fair
 * way to hold one material beside another, because weather and heating are the same for both.
 *
 * @returns null where the air is not known, lies less than 5 K apart, or one of the two is no part of the envelope (warmer than
 * the air inside, colder than outside, seen from outside)
 */
export function sameHour(document: VisitDocument, thisId: string, thatId: string, comparison: Comparison): SameHour | null {
  const { insideC, outsideC } = conditionsOf(document)?.value ?? { insideC: null, outsideC: null };
  const { region, frame } = document.rows;
  const inside = [thisId, thatId].every((id) => frame[region[id]!.value.frameId]!.value.side === 'inside');
  if (insideC === null || outsideC === null || !inside || Math.abs(insideC - outsideC) < LEAST_DRIVE_K) return null;
  const drive = insideC - outsideC;
  const factor = (celsius: number) => (celsius - outsideC) / drive;
  const [thisFactor, thatFactor] = [
    factor(comparison.this.levels[comparison.by].celsius),
    factor(comparison.that.statistics.mean),
  ];
  if (![thisFactor, thatFactor].every((one) => one >= 0 && one <= 1)) return null;
  const difference = thisFactor - thatFactor;
  const air = (Math.SQRT2 * AIR_K * difference) / drive;
  return { thisFactor, thatFactor, difference, uncertainty: Math.hypot(comparison.difference.uncertainty.total / drive, air) };
}

/** What a pair of factors is good for. */
export const SAME_HOUR_MEANING =
  '(surface − outside) / (inside − outside): no weather changes it. Of two materials side by side at one hour the one with the higher factor lets less heat through.';

/** That in a sentence. */
export function sameHourWords({ thisFactor, thatFactor, difference, uncertainty }: SameHour): string {
  const half = HALF * uncertainty;
  const by = `${Math.abs(difference).toFixed(3)} ± ${half.toFixed(3)}`;
  const apart = Math.abs(difference) > half;
  const words = !apart ? `not told apart, ${by}` : `${by} ${difference > 0 ? 'higher' : 'lower'}`;
  return `Temperature factor ${thisFactor.toFixed(2)} against ${thatFactor.toFixed(2)}: ${words}.`;
}
