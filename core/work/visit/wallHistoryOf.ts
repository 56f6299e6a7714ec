import type { VisitDocument } from '../../model/document';
import { USUAL } from '../../ground/usual';
import { historyProblem, type WallHistory } from '../../method/weather/wallHistory';
import { takenAtOf } from './frames';
import { airAt } from './airLog';
import { loggedIn, type Standing, standingOf } from './standing';
import { sunPosition } from '../../method/weather/sun';
import { sunnyShare } from './sunnyShare';
import { conditionsOf, siteOf } from './theVisit';

const HOUR_MS = 3_600_000;
/** So far back heat in a wall tells. */
export const REMEMBERED_H = 48;
const STEP_H = 0.5;
/** Sun that was on a wall so long ago is gone from all but the thickest; and so little of a sunny day is none. */
const SUN_GONE_H = 36;
const LITTLE_SUN = 0.15;

/** What a wall stood in before a frame, and where that comes from; or what is missing. */
export interface KnownHistory {
  history: WallHistory | null;
  from: 'readings' | 'said' | null;
  /** Each the end of a sentence that begins with "Not noted:". */
  missing: string[];
}

/**
 * The last 48 hours before a frame: readings of the log (a logger's, or a weather file's) while there are any, and for the rest
 * what somebody said of heating and air outside; after sun that nobody measured none.
 */
export function wallHistoryOf(document: VisitDocument, frameId: string): KnownHistory {
  return wallHistoryAt(
    document,
    Date.parse(takenAtOf(document, frameId)),
    standingOf(document, frameId),
    sunOn(document, frameId),
  );
}

/** The same before a moment. @param sun - why the sun on the wall is not known; null where there was none */
export function wallHistoryAt(
  document: VisitDocument,
  at: number,
  { insideC, outsideC }: Pick<Standing, 'insideC' | 'outsideC'>,
  sun: string | null,
): KnownHistory {
  const noted = conditionsOf(document)?.value;
  const { all, house } = loggedIn(document, null);
  const said = { inside: noted?.heatingHours ?? 0, outside: noted?.airHours ?? 0 };
  const missing: string[] = [];
  if (sun !== null) missing.push(sun);
  const rows: WallHistory = [];
  let [logged, insideGone, outsideGone] = [false, false, false];
  // From the frame back: where nobody knows any more, it ends.
  for (let ago = 0; ago <= REMEMBERED_H; ago += STEP_H) {
    const moment = at - ago * HOUR_MS;
    const read = { inside: airAt(house, moment).insideC, outside: airAt(all, moment).outsideC };
    const inside = read.inside ?? (ago <= said.inside ? insideC : null);
    const outside = read.outside ?? (ago <= said.outside ? outsideC : null);
    insideGone = inside === null;
    outsideGone = outside === null;
    if (inside === null || outside === null) break;
    logged ||= ago > 0 && (read.inside !== null || read.outside !== null);
    rows.unshift({ minutes: ago === 0 ? 0 : -60 * ago, insideC: inside, outsideC: outside, sunWm2: 0 });
  }
  if (sun === null && historyProblem(rows) === null) return { history: rows, from: logged ? 'readings' : 'said', missing: [] };
  if (insideGone) missing.push('how long the heating has been as it is, or readings of the air inside');
  if (outsideGone) missing.push('how long the air outside has been as it is, or readings of it');
  return { history: null, from: null, missing };
}

/**
 * What is not known of the sun on the wall that a frame shows. Ceilings and floors have none on their other side that counts as a
 * wall's; how strong it was on a wall nobody measured.
 */
function sunOn(document: VisitDocument, frameId: string): string | null {
  const surface = document.rows.surface[document.rows.frame[frameId]!.value.surfaceId ?? '']?.value;
  if (surface && (surface.behind !== 'outside' || surface.kind === 'floor' || surface.kind === 'ceiling')) return null;
  const noted = conditionsOf(document)?.value;
  const sunHours = noted?.sunHours ?? null;
  if (sunHours === null) return 'when the sun was last on a wall';
  if (sunHours >= SUN_GONE_H) return null;
  const { latitude, longitude } = siteOf(document);
  const until = Date.parse(takenAtOf(document, frameId)) - sunHours * HOUR_MS;
  const sunAt = (at: number) => (latitude === null || longitude === null ? null : sunPosition(at, latitude, longitude));
  const azimuth = surface?.azimuth ?? null;
  const share = azimuth === null ? 1 : sunnyShare(azimuth, until, (noted?.cloudPct ?? USUAL.cloudPct) / 100, sunAt);
  return share < LITTLE_SUN ? null : `how strong the sun was on it ${Math.round(sunHours)} h ago`;
}
