import { LEAST_DRIVE_K } from '../../ground/drive';
import type { VisitDocument } from '../../model/document';
import { computed, uncertain, uncertaintyOf } from '../../method/radiometry/quantity';
import { USUAL_UNCERTAINTY } from '../../method/radiometry/uncertainty';
import type { Comparison } from './readings';
import { sideOf } from './standing';
import { settingsFor } from './settingsInForce';
import { conditionsOf } from './theVisit';
import { wallHistoryOf } from './wallHistoryOf';
import type { Row } from '../../model/entities';
import type { SurfaceValue } from '../../model/surfaceRow';

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
 *
 * The air inside is that of each frame's own time; what is not known of it and of the air outside is the same for both.
 */
export function sameHour(document: VisitDocument, thisId: string, thatId: string, comparison: Comparison): SameHour | null {
  const { region } = document.rows;
  const outsideC = conditionsOf(document)?.value.outsideC ?? null;
  const [thisAir, thatAir] = [thisId, thatId].map((id) => {
    const { frameId } = region[id]!.value;
    const { airC } = settingsFor(document, frameId);
    return sideOf(document, frameId) === 'inside' && airC.origin !== 'default' ? airC.value : null;
  }) as [number | null, number | null];
  if (outsideC === null || thisAir === null || thatAir === null) return null;
  if ([thisAir, thatAir].some((insideC) => Math.abs(insideC - outsideC) < LEAST_DRIVE_K)) return null;
  const air = (value: number, name: string) => uncertain(value, { name, part: 'air', u: USUAL_UNCERTAINTY.air });
  const known = {
    one: comparison.this.levels[comparison.by].quantity,
    other: comparison.that.mean,
    thisAir: air(thisAir, 'air inside'),
    thatAir: air(thatAir, 'air inside'),
    outside: air(outsideC, 'air outside'),
  };
  const thisFactor = (known.one.at({}) - outsideC) / (thisAir - outsideC);
  const thatFactor = (known.other.at({}) - outsideC) / (thatAir - outsideC);
  if (![thisFactor, thatFactor].every((factor) => factor >= 0 && factor <= 1)) return null;
  if (!builtAlike(document, thisId, thatId) && !isSteady(document, thisId)) return null;
  const difference = computed(
    known,
    (x) => (x.one - x.outside) / (x.thisAir - x.outside) - (x.other - x.outside) / (x.thatAir - x.outside),
  );
  return { thisFactor, thatFactor, difference: difference.at({}), uncertainty: uncertaintyOf(difference).total };
}

/** Places of one surface, or of surfaces of one weight, remember the weather alike. */
function builtAlike(document: VisitDocument, thisId: string, thatId: string): boolean {
  const [one, other] = [thisId, thatId].map((id) => {
    const frame = document.rows.frame[document.rows.region[id]!.value.frameId]!.value;
    return { frame, surface: document.rows.surface[frame.surfaceId ?? '']?.value };
  }) as [{ frame: Row<'frame'>['value']; surface?: SurfaceValue }, { frame: Row<'frame'>['value']; surface?: SurfaceValue }];
  if (one.frame.surfaceId === other.frame.surfaceId) return true;
  return one.surface !== undefined && one.surface.mass === other.surface?.mass;
}

/** After so long unlike walls are near enough to balance, h; with so little change of the air, K. */
const STEADY_H = 24;
const STEADY_K = 3;

function isSteady(document: VisitDocument, regionId: string): boolean {
  const { history } = wallHistoryOf(document, document.rows.region[regionId]!.value.frameId);
  const rows = history?.filter(({ minutes }) => minutes >= -60 * STEADY_H) ?? [];
  if (rows.length === 0 || rows[0]!.minutes > -60 * STEADY_H) return false;
  const swing = (of: 'insideC' | 'outsideC') => Math.max(...rows.map((row) => row[of])) - Math.min(...rows.map((row) => row[of]));
  return swing('insideC') <= STEADY_K && swing('outsideC') <= STEADY_K && rows.every(({ sunWm2 }) => sunWm2 === 0);
}

/** What a pair of factors is good for. */
export const SAME_HOUR_MEANING =
  '(surface − outside) / (inside − outside), while the wall is in balance. Of two materials side by side at one hour the one with the higher factor lets less heat through, if both are built alike or nothing has changed for a day.';

/** That in a sentence. */
export function sameHourWords({ thisFactor, thatFactor, difference, uncertainty }: SameHour): string {
  const half = HALF * uncertainty;
  const by = `${Math.abs(difference).toFixed(3)} ± ${half.toFixed(3)}`;
  const apart = Math.abs(difference) > half;
  const words = !apart ? `not told apart, ${by}` : `${by} ${difference > 0 ? 'higher' : 'lower'}`;
  return `Temperature factor ${thisFactor.toFixed(2)} against ${thatFactor.toFixed(2)}: ${words}.`;
}
