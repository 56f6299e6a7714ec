import type { VisitDocument } from '../document';
import * as format from '../units/format';
import type { DisplayUnit } from '../units/temperature';
import { judgeConditions, type SideJudged } from '../visit/judgeConditions';
import { compassWord } from '../weather/plan';
import { sideOf } from '../visit/standing';
import { GOOD_WITH_CARE } from '../weather/rated';
import type { Seen } from './seen';

/** Whether a candidate may be claimed, or is an observation to repeat, and why. */
export interface Gate {
  claim: boolean;
  /** Each a sentence; empty where it may be claimed. */
  why: string[];
  /** Other hours would help. */
  hours: boolean;
}

/** Two standard uncertainties of a difference within one frame: unevenness of the camera, and its noise. */
const UNEVEN_K = 0.2;

/** Judges a candidate by the conditions that were noted and by what the camera can tell. */
export function gateOf(
  document: VisitDocument,
  frameId: string,
  candidate: Pick<Seen, 'contrast' | 'area'>,
  noise: number,
  unit: DisplayUnit,
): Gate {
  const why: string[] = [];
  const judged = sideOfFrame(document, frameId);
  if (judged && judged.score < GOOD_WITH_CARE) why.push(`Conditions forbid a claim: ${judged.reasons[0]!.words}.`);
  const unsure = Math.hypot(UNEVEN_K, (2 * noise) / Math.sqrt(Math.max(1, candidate.area)));
  const contrast = Math.abs(candidate.contrast);
  const within = contrast < 2 * unsure;
  if (within)
    why.push(
      `Its contrast of ${format.difference(contrast, unit)} is hardly more than what the camera itself leaves uneven, ${format.difference(unsure, unit)}.`,
    );
  return { claim: why.length === 0, why, hours: judged !== null && judged.score < GOOD_WITH_CARE };
}

/** The conditions of the side that a frame shows; null where they were not noted. */
function sideOfFrame(document: VisitDocument, frameId: string): SideJudged | null {
  const { surfaceId } = document.rows.frame[frameId]!.value;
  const side = sideOf(document, frameId);
  const verdict = judgeConditions(document);
  if (side !== 'outside') return verdict.inside;
  const azimuth = document.rows.surface[surfaceId ?? '']?.value.azimuth ?? null;
  const own = azimuth === null ? undefined : verdict.facades.find((one) => one.side === `${compassWord(azimuth)} wall`);
  // Where it is not known which wall is seen, the worst of them speaks.
  return own ?? verdict.facades.toSorted((a, b) => a.score - b.score)[0] ?? null;
}
