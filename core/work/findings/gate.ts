import { LEAST_DRIVE_K } from '../../ground/drive';
import type { VisitDocument } from '../../model/document';
import * as format from '../../ground/format';
import type { DisplayUnit } from '../../ground/temperature';
import { judgeConditions, type SideJudged } from '../visit/judgeConditions';
import { compassWord } from '../../method/weather/plan';
import { knownOf } from '../../model/arguedRow';
import { rankCauses } from '../../method/causes/rank';
import type { Row } from '../../model/entities';
import { INSTRUMENT_U } from '../../ground/instruments';
import type { FindingBasis } from '../../model/findingBasis';
import { sideOf, standingOf } from '../visit/standing';
import { conditionsOf } from '../visit/theVisit';
import { wallHistoryOf } from '../visit/wallHistoryOf';
import { GOOD_WITH_CARE } from '../../method/weather/rated';
import type { Seen } from './seen';

/** Whether a candidate may be claimed, or is an observation to repeat, and why. */
export interface Gate {
  claim: boolean;
  /** Each a sentence; empty where it may be claimed. */
  why: string[];
  /** Other hours would help. */
  hours: boolean;
}

/** Two standard uncertainties of a difference within one frame. */
const UNEVEN_K = 2 * INSTRUMENT_U.unevenK;
/** Air moves by itself with so much between inside and outside, K; else by wind, m/s. */
const STACK_K = 8;
const LEAST_WIND_MS = 2;

const NEED_BALANCE: ReadonlySet<string> = new Set([
  'missing-insulation',
  'slumped-insulation',
  'insulation-contact',
  'thermal-bridge',
]);
const NEED_HUMIDITY: ReadonlySet<string> = new Set(['moisture', 'condensation']);

/**
 * Judges a candidate by the conditions that were noted, by what its likeliest cause needs of them, and by what the camera can
 * tell.
 */
export function gateOf(
  document: VisitDocument,
  frameId: string,
  candidate: Pick<Seen, 'contrast' | 'area'>,
  cause: string,
  noise: number,
  unit: DisplayUnit,
): Gate {
  const { why, hours } = gateOfClaim(document, frameId, cause);
  const unsure = Math.hypot(UNEVEN_K, (2 * noise) / Math.sqrt(Math.max(1, candidate.area)));
  const contrast = Math.abs(candidate.contrast);
  const words = `Its contrast of ${format.difference(contrast, unit)} is hardly more than what the camera itself leaves uneven, ${format.difference(unsure, unit)}.`;
  const all = contrast < 2 * unsure ? [...why, words] : why;
  return { claim: all.length === 0, why: all, hours };
}

/**
 * Whether a finding may be claimed: each claim has its own needs. What nobody noted is not good.
 *
 * @returns null where a finding claims nothing of a frame
 */
export function gateOfFinding(document: VisitDocument, { value }: Row<'finding'>): Gate | null {
  if (value.frameId === null || !document.rows.frame[value.frameId] || !CLAIMS.has(value.basis)) return null;
  const cause = value.argued ? rankCauses(knownOf(value.argued))[0]!.cause.code : null;
  return gateOfClaim(document, value.frameId, cause);
}

/** What a finding rests on when it says something of a wall by its temperature. */
const CLAIMS: ReadonlySet<string> = new Set(['pair', 'side-by-side', 'shape'] satisfies FindingBasis[]);

function gateOfClaim(document: VisitDocument, frameId: string, cause: string | null): Gate {
  const { driveK, side, humidityPct } = standingOf(document, frameId);
  const noted = conditionsOf(document)?.value;
  const why: string[] = [];
  const judged = sideOfFrame(document, frameId);
  const hours = judged !== null && judged.score < GOOD_WITH_CARE;
  if (hours) why.push(`Conditions forbid a claim: ${judged.reasons[0]!.words}.`);
  if (driveK === null) why.push(side === 'loft' ? 'The air of this space is not noted.' : 'The air on both sides is not noted.');
  else if (cause === 'air-leak') {
    if (Math.abs(driveK) < STACK_K && (noted?.windMs ?? 0) < LEAST_WIND_MS)
      why.push('Neither wind nor a difference of 8 K drives air through gaps, as far as was noted.');
  } else if (!NEED_HUMIDITY.has(cause ?? '') && Math.abs(driveK) < LEAST_DRIVE_K)
    why.push('Less than 5 K between inside and outside say little of a wall.');
  if (NEED_BALANCE.has(cause ?? '') && storesHeat(document, frameId)) {
    const { history, missing } = wallHistoryOf(document, frameId);
    if (history === null) why.push(`What stores heat shows the days before, and they are not known: ${missing.join('; ')}.`);
  }
  if (NEED_HUMIDITY.has(cause ?? '') && humidityPct === null && side !== 'outside')
    why.push('The humidity of the air is not noted.');
  return { claim: why.length === 0, why, hours };
}

function storesHeat(document: VisitDocument, frameId: string): boolean {
  const surface = document.rows.surface[document.rows.frame[frameId]!.value.surfaceId ?? '']?.value;
  // Of what nobody said it is not known either.
  if (surface === undefined) return true;
  return surface.mass !== 'light' && (surface.kind === 'wall' || surface.kind === 'facade');
}

/** `An observation to repeat. …`; empty where it may be claimed. */
export function gateWords(gate: Gate | null): string {
  return gate === null || gate.claim ? '' : `An observation to repeat. ${gate.why.join(' ')}`;
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
