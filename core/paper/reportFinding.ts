import { CoreError } from '../ground/errors';
import { gateOfFinding, gateWords } from '../work/findings/gate';
import { lookForStop } from '../work/round/lookForStop';
import { roundOf } from '../work/round/round';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { localTime } from '../ground/localTime';
import { BASIS_CONFIDENCE, type FindingBasis, type FindingState, STATE_WORDS } from '../model/findingBasis';
import { anchorFor } from '../work/visit/colours';
import { type ExhibitRole, ROLE_WORDS } from '../model/exhibitRow';
import { exhibitsOf } from '../work/visit/findings';
import type { FindingValue } from '../model/findingRow';
import { takenAtOf } from '../work/visit/frames';
import { settingsFor } from '../work/visit/settingsInForce';
import { judgeConditions } from '../work/visit/judgeConditions';
import { siteOf } from '../work/visit/theVisit';
import { couldShow, lookedThrough } from '../work/findings/nothing';
import type { VisitDocument } from '../model/document';
import type { Row } from '../model/entities';
import { causeFacts, likeliestWords } from './causeFacts';
import type { Fact } from './fact';
import { figureOf, type Figure, inColoursOf } from './figure';
import { placeOfFinding, placeOfFrame } from './places';
import { settingFacts } from './settingFacts';
import { statedPair, type StatedPair } from './statedPair';

/** A further picture of a finding. */
export interface ReportExhibit {
  id: string;
  role: ExhibitRole;
  heading: string;
  stated: StatedPair | null;
  /** The frame where no pair is stated on it. */
  figure: Figure | null;
  photoId: string | null;
  note: string;
  /** What changed since the first look; null for what is no second look, and while it cannot be said. */
  change: string | null;
}

export interface ReportFinding {
  id: string;
  number: number;
  title: string;
  note: string;
  place: string;
  takenAt: string;
  photoId: string | null;
  basis: FindingBasis;
  /** Why it is an observation to repeat; empty where it may be claimed. */
  repeat: string;
  /** How sure the report may be. */
  confidence: string;
  /** In a few words, for a list: the difference, the typed value, or what it rests on. */
  short: string;
  /** null for what states no pair, and with the reason when its regions cannot be read. */
  stated: StatedPair | null;
  problem: string | null;
  /** The frame where no pair is stated on it. */
  figure: Figure | null;
  typed: Fact[];
  /** What it probably is, where that was argued. */
  causes: Fact[];
  /** Its likeliest cause in a few words; empty where none was argued. */
  likeliest: string;
  /** For nothing seen: what would have been. */
  expected: string;
  next: string;
  state: FindingState;
  /** Something that was tried, not a finding of the house. */
  tried: boolean;
  /** What became of it, and what the fix takes. */
  fix: Fact[];
  exhibits: ReportExhibit[];
  settings: Fact[];
}

type Pixels = (frameId: string) => Float32Array | undefined;

const NOT_LOADED = 'The frame is not loaded yet.';

/** All that a report says of one finding. */
export function reportFinding(
  document: VisitDocument,
  { id, value }: Row<'finding'>,
  number: number,
  pixels: Pixels,
  unit: DisplayUnit,
): ReportFinding {
  const { title, note, basis, frameId, thisRegionId, thatRegionId, by, photoId, next, state } = value;
  const base = {
    id,
    number,
    title,
    note,
    place: placeOfFinding(document, value),
    takenAt: frameId === null ? '' : localTime(takenAtOf(document, frameId), siteOf(document).timeZone),
    photoId,
    basis,
    repeat: gateWords(gateOfFinding(document, document.rows.finding[id]!)),
    confidence: BASIS_CONFIDENCE[basis],
    typed: typedFacts(value, unit),
    causes: value.argued ? causeFacts(value.argued, unit) : [],
    likeliest: value.argued ? likeliestWords(value.argued) : '',
    expected: basis === 'nothing' ? expectedWords(document, value, unit) : '',
    next,
    state,
    tried: value.tried !== null,
    fix: fixFacts(value),
    settings:
      frameId === null ? [] : settingFacts(document, frameId, settingsFor(document, frameId, thisRegionId ?? undefined), unit),
  };
  const pair =
    frameId !== null && thisRegionId !== null && thatRegionId !== null ? { frameId, thisRegionId, thatRegionId, by } : null;
  const { stated, problem } = pair ? tryStating(() => statedPair(document, pair, pixels, unit)) : { stated: null, problem: null };
  const figure = pair || frameId === null ? null : bareFigure(document, frameId, pixels, unit);
  const like = stated?.figure ?? figure;
  return {
    ...base,
    stated,
    problem,
    short: stated ? `${stated.difference.value} ${stated.difference.plusMinus}` : pair ? 'no reading' : shortOf(value, unit),
    figure,
    exhibits: exhibitsOf(document, id).map((row) => likeFirst(reportExhibit(document, row, stated, pixels, unit), like)),
  };
}

/** Looks after the fix and frames side by side are seen in the colours of the first picture. */
function likeFirst(exhibit: ReportExhibit, like: Figure | null): ReportExhibit {
  const { role, stated, figure } = exhibit;
  if (!like || (role !== 'after' && role !== 'beside')) return exhibit;
  return {
    ...exhibit,
    stated: stated && { ...stated, figure: inColoursOf(stated.figure, like) },
    figure: figure && inColoursOf(figure, like),
  };
}

function tryStating(state: () => StatedPair | null): { stated: StatedPair | null; problem: string | null } {
  try {
    const stated = state();
    return { stated, problem: stated ? null : NOT_LOADED };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { stated: null, problem: `${error.message} ${error.hint}` };
  }
}

/** A frame that nothing is stated on, in the visit's steady colours. */
function bareFigure(document: VisitDocument, frameId: string, pixels: Pixels, unit: DisplayUnit): Figure | null {
  const values = pixels(frameId);
  const anchor = anchorFor(document, frameId, pixels);
  return values && anchor ? figureOf(document, frameId, anchor, values, unit, []) : null;
}

function reportExhibit(
  document: VisitDocument,
  { id, value }: Row<'exhibit'>,
  first: StatedPair | null,
  pixels: Pixels,
  unit: DisplayUnit,
): ReportExhibit {
  const { role, frameId, thisRegionId, thatRegionId, by, photoId, note } = value;
  const pair =
    frameId !== null && thisRegionId !== null && thatRegionId !== null ? { frameId, thisRegionId, thatRegionId, by } : null;
  const { stated } = pair ? tryStating(() => statedPair(document, pair, pixels, unit)) : { stated: null };
  const at = frameId === null ? '' : `, ${localTime(takenAtOf(document, frameId), siteOf(document).timeZone)}`;
  // A second look is at the same place.
  const where = frameId === null || role === 'after' ? '' : `: ${placeOfFrame(document, frameId)}`;
  return {
    id,
    role,
    heading: `${ROLE_WORDS[role]}${where}${at}`,
    stated,
    figure: pair || frameId === null ? null : bareFigure(document, frameId, pixels, unit),
    photoId,
    note,
    change: role === 'after' && first && stated ? changeWords(first, stated, unit) : null,
  };
}

/**
 * What a fix changed, in words: the difference before and after, each of which leaves out what the camera's calibration
 * changed between the two frames.
 */
function changeWords(before: StatedPair, after: StatedPair, unit: DisplayUnit): string {
  const [first, then] = [before.comparison.difference, after.comparison.difference];
  const change = Math.abs(then.value) - Math.abs(first.value);
  // Both differences are free of the camera's level; what is left of them is independent.
  const doubt = 2 * Math.hypot(first.uncertainty.total, then.uncertainty.total);
  const numbers = `Before ${before.difference.value}, after ${after.difference.value}`;
  if (!Number.isFinite(doubt)) return `${numbers}: one of the two cannot be read.`;
  if (Math.abs(change) <= doubt)
    return `${numbers}: a change of ${format.difference(Math.abs(change), unit)} lies within ± ${format.difference(doubt, unit)}. It cannot be said that it changed.`;
  const words = `${format.difference(Math.abs(change), unit)} ± ${format.difference(doubt, unit)}`;
  if (change > 0) return `${numbers}: worse by ${words}.`;
  return then.significant
    ? `${numbers}: better by ${words}, and something is left.`
    : `${numbers}: better by ${words}; what is left lies within the noise.`;
}

/** What a fault would have looked like at the stop, and whether the conditions would have shown it. */
function expectedWords(document: VisitDocument, { stopKey, frameId }: FindingValue, unit: DisplayUnit): string {
  const stop = roundOf(document).stops.find(({ key }) => key === stopKey);
  const seen = stop && lookForStop(document, stop);
  // Of a frame that nobody looked through nothing would have shown.
  const shown = frameId !== null && lookedThrough(document, frameId) ? couldShow(document, frameId, unit) : null;
  return [
    ...(seen ? [`What would have been seen: ${seen}`] : []),
    ...(shown === null ? [] : [`In its frame ${shown} would have shown.`]),
    `Conditions: ${judgeConditions(document).words}.`,
  ].join(' ');
}

function typedFacts({ typed }: FindingValue, unit: DisplayUnit): Fact[] {
  if (!typed) return [];
  const instrument = typed.with ? `, ${typed.with}` : '';
  return [
    { label: 'Typed', value: `${format.temperature(typed.celsius, unit)}${instrument}` },
    ...(typed.againstC === null
      ? []
      : [
          { label: 'Sound place beside it', value: `${format.temperature(typed.againstC, unit)}${instrument}` },
          { label: 'Difference', value: format.signedDifference(typed.celsius - typed.againstC, unit) },
        ]),
  ];
}

function fixFacts({ state, lengthM, material }: FindingValue): Fact[] {
  const need = [lengthM === null ? '' : `${format.number(lengthM, 1)} m`, material].filter(Boolean).join(' of ');
  return [
    ...(state === 'open' ? [] : [{ label: 'What became of it', value: STATE_WORDS[state] }]),
    ...(need ? [{ label: state === 'open' ? 'The fix takes' : 'The fix took', value: need }] : []),
  ];
}

function shortOf({ basis, typed }: FindingValue, unit: DisplayUnit): string {
  if (basis === 'typed' && typed)
    return typed.againstC === null
      ? `${format.temperature(typed.celsius, unit)}, typed`
      : `${format.signedDifference(typed.celsius - typed.againstC, unit)}, typed`;
  return {
    pair: 'no reading',
    'side-by-side': 'compared',
    typed: 'typed',
    shape: 'by shape',
    picture: 'by picture',
    nothing: 'nothing seen',
    unsolved: 'unsolved',
  }[basis];
}
