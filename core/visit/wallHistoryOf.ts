import type { VisitDocument } from '../document';
import { historyProblem, type WallHistory } from '../weather/wallHistory';
import { takenAtOf } from './frames';
import { airAt } from './airLog';
import { loggedIn, standingOf } from './standing';
import { conditionsOf } from './theVisit';

const HOUR_MS = 3_600_000;
/** So far back heat in a wall tells. */
export const REMEMBERED_H = 48;
const STEP_H = 0.5;
/** Sun on a wall where only its hour is known, W/m²; it shone for so long, h. */
const USUAL_SUN = 300;
const USUAL_SUN_H = 6;

/** What a wall stood in before a frame, and where that comes from; or what is missing. */
export interface KnownHistory {
  history: WallHistory | null;
  from: 'readings' | 'said' | null;
  /** Each the end of a sentence that begins with "Not noted:". */
  missing: string[];
}

/**
 * The last 48 hours before a frame: readings of the log (a logger's, or a weather file's) while there are any, and for the rest
 * what somebody said of heating, air outside and sun.
 */
export function wallHistoryOf(document: VisitDocument, frameId: string): KnownHistory {
  const noted = conditionsOf(document)?.value;
  const { insideC, outsideC } = standingOf(document, frameId);
  const at = Date.parse(takenAtOf(document, frameId));
  const { all, house } = loggedIn(document, null);
  const said = { inside: noted?.heatingHours ?? 0, outside: noted?.airHours ?? 0 };
  const sunHours = sunMatters(document, frameId) ? (noted?.sunHours ?? null) : Infinity;
  const missing: string[] = [];
  if (sunHours === null) missing.push('when the sun was last on a wall');
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
    if (inside === null || outside === null || sunHours === null) break;
    logged ||= ago > 0 && (read.inside !== null || read.outside !== null);
    const sun = ago >= sunHours && ago < sunHours + USUAL_SUN_H ? USUAL_SUN : 0;
    rows.unshift({ minutes: ago === 0 ? 0 : -60 * ago, insideC: inside, outsideC: outside, sunWm2: sun });
  }
  if (historyProblem(rows) === null) return { history: rows, from: logged ? 'readings' : 'said', missing: [] };
  if (insideGone) missing.push('how long the heating has been as it is, or readings of the air inside');
  if (outsideGone) missing.push('how long the air outside has been as it is, or readings of it');
  return { history: null, from: null, missing };
}

/** Ceilings and floors have no sun on their other side that counts as a wall's. */
function sunMatters(document: VisitDocument, frameId: string): boolean {
  const surface = document.rows.surface[document.rows.frame[frameId]!.value.surfaceId ?? '']?.value;
  return surface === undefined || (surface.behind === 'outside' && surface.kind !== 'floor');
}
