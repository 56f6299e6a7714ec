import { framesOfHunt } from '../work/water/seek';
import { framesOfPairs, type Proven } from '../work/proof/proven';
import { roundOf } from '../work/round/round';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { exhibitsOf, orderedFindings, openFindings } from '../work/visit/findings';
import { fixCautions } from '../work/findings/fixCautions';
import { photosOf } from '../work/visit/frames';
import { judgeConditions } from '../work/visit/judgeConditions';
import { KINDS } from '../model/visitKinds';
import { onlyRow, siteOf, visitDay, visitRow } from '../work/visit/theVisit';
import type { LeakFound } from '../method/water/timelapse';
import type { VisitDocument } from '../model/document';
import type { Block } from './block';
import { framesOfFlush } from './flush';
import { framesOfRecord } from './record';
import { heatingSheets } from './sheets';
import { leakSheets } from './leak';
import { proofSheets } from './proof';
import { answerInShort, type ComplaintAnswer, complaintAnswers, proposedAnswer } from './answers';
import { cameraFact } from './cameraFact';
import { conditionFacts } from './conditionFacts';
import { coverageFacts } from './coverageFacts';
import type { Fact } from './fact';
import { noteFacts } from './noteFacts';
import { reportFinding, type ReportFinding } from './reportFinding';

/** What a report says; how it looks is decided elsewhere. */
export interface Report {
  site: string;
  address: string;
  visit: string;
  day: string;
  /** What kind of survey was wanted, in a sentence. */
  wanted: string;
  question: string;
  /** As somebody wrote it, else as it is proposed. */
  answer: string;
  proposedAnswer: string;
  complaints: ComplaintAnswer[];
  /** What was done to the house, as somebody told it. */
  history: Fact[];
  conditions: Fact[];
  verdict: string;
  camera: string;
  findings: ReportFinding[];
  /** Sheets on the heating: its record, flush and boiler cards, where there are any. */
  heating: Block[];
  /** Sheets on a leak that is hunted, and on what works changed. */
  water: Block[];
  proof: Block[];
  /** Notes, spoken notes and probe values of the round. */
  notes: Fact[];
  /** What was looked at, room by room. */
  coverage: Fact[];
  limits: string[];
  /** Pictures without data, with what somebody typed of them. */
  evidence: Evidence[];
  /** Daylight photos that stand in no finding. */
  photos: { photoId: string; words: string }[];
}

/** What a report says of series and pairs, which takes seconds to find out. */
export interface Computed {
  proven: readonly Proven[];
  leak: LeakFound | null;
}

export const NOTHING_COMPUTED: Computed = { proven: [], leak: null };

/** A picture without data: what is said of it was typed by a person and never measured. */
export interface Evidence {
  photoId: string;
  name: string;
  facts: Fact[];
}

/** Frames that a finding shows, with those that the references of their regions lie on. */
function framesOfFinding(document: VisitDocument, findingId: string): string[] {
  const { value } = document.rows.finding[findingId]!;
  const shown = [value, ...exhibitsOf(document, findingId).map((row) => row.value)];
  const regions = shown.flatMap(({ frameId, thatRegionId }) => [
    thatRegionId,
    document.rows.frame[frameId ?? '']?.value.referenceId ?? null,
  ]);
  const ofRegions = regions.map((id) => document.rows.region[id ?? '']?.value.frameId ?? null);
  return [...shown.map(({ frameId }) => frameId), ...ofRegions].filter((id): id is string => id !== null);
}

/** Frames whose pixels a report needs: those of its findings, those that hold the references of their scales, those of the heating, of pairs and of a series. */
export function framesOfReport(document: VisitDocument, earlier: readonly VisitDocument[] = []): string[] {
  const findings = Object.keys(document.rows.finding);
  const heating = [...framesOfRecord(document), ...framesOfFlush(document)];
  const sheets = [...heating, ...framesOfPairs(document, earlier), ...framesOfHunt(document)];
  if (findings.length === 0) return [...new Set(sheets)];
  const { referenceInsideId, referenceOutsideId } = visitRow(document).value;
  const ofVisit = [referenceInsideId, referenceOutsideId].flatMap((id) => document.rows.region[id ?? '']?.value.frameId ?? []);
  return [...new Set([...findings.flatMap((id) => framesOfFinding(document, id)), ...ofVisit, ...sheets])];
}

/** Photos that a report shows: those of its findings, pictures without data, and the photo sheet. */
export function photosOfReport({ findings, evidence, photos }: Report): string[] {
  const ofFindings = findings.flatMap(({ photoId, exhibits }) => [photoId, ...exhibits.map((one) => one.photoId)]);
  const all = [...ofFindings, ...[...evidence, ...photos].map(({ photoId }) => photoId)];
  return [...new Set(all.filter((id): id is string => id !== null))];
}

/**
 * Everything that the report states, computed from the visit as it is now.
 *
 * @param pixels - stored values of a frame by its id; at least those of `framesOfReport`
 * @param unit - what temperatures are written in
 * @param computed - what takes too long to be computed here
 */
export function buildReport(
  document: VisitDocument,
  pixels: (frameId: string) => Float32Array | undefined,
  unit: DisplayUnit,
  computed: Computed = NOTHING_COMPUTED,
): Report {
  const site = siteOf(document);
  const visit = visitRow(document).value;
  const intake = onlyRow(document, 'intake').value;
  const findings = orderedFindings(document).map((row, i) => reportFinding(document, row, i + 1, pixels, unit));
  const complaints = complaintAnswers(document, findings);
  const proposed = proposedAnswer(findings, complaints);
  return {
    site: site.name,
    address: site.address,
    visit: visit.title,
    day: visitDay(document),
    wanted: `The survey was wanted ${KINDS[intake.kind].wanted}.`,
    question: visit.question,
    answer: answerInShort(document, proposed),
    proposedAnswer: proposed,
    complaints,
    history: intake.history.map(({ what, when }) => ({ label: when || 'at some time', value: what })),
    conditions: conditionFacts(document, unit),
    verdict: judgeConditions(document).words,
    camera: cameraFact(document),
    findings,
    heating: heatingSheets(document, pixels, unit),
    water: leakSheets(document, computed.leak, pixels, unit),
    proof: proofSheets(document, computed.proven, unit),
    notes: noteFacts(document, unit),
    coverage: coverageFacts(document, unit),
    limits: [...LIMITS, ...beforeFixes(document)],
    evidence: evidenceOf(document, unit),
    photos: photoSheet(document, findings),
  };
}

/** What may hurt somebody at the open fixes, each said once. */
function beforeFixes(document: VisitDocument): string[] {
  const cautions = new Set(openFindings(document).flatMap(({ value }) => fixCautions(document, value)));
  return cautions.size === 0 ? [] : [`Before the fixes: ${[...cautions].join(' ')}`];
}

const LIMITS = [
  'A thermal frame shows surface temperatures at one moment. It does not see through walls, it does not measure air leakage, and a cause read from one frame is a likelihood until a check has settled it.',
  'Differences are between two regions of one frame, unless it says otherwise. What the camera reads wrong on both alike is no part of a difference; noise, unevenness, gain, emissivity and reflection are, and they are in the ±.',
  '± is twice the standard uncertainty: a 95 % interval.',
  'Work on electricity, gas, flues, refrigerant, at heights or on what may hold asbestos belongs to licensed people; local codes come first.',
];

/** Pictures of a thermal camera whose temperatures are lost. */
function evidenceOf(document: VisitDocument, unit: DisplayUnit): Evidence[] {
  return photosOf(document)
    .filter(({ value: { evidence, frameId } }) => evidence && frameId === null)
    .map(({ id, value: { name, typed } }) => {
      const ends: [string, number | null][] = [
        ['Cold end of its scale', typed.lowC],
        ['Warm end of its scale', typed.highC],
      ];
      return {
        photoId: id,
        name,
        facts: [
          ...typed.spots.map(({ words, celsius }, i) => ({
            label: words || `Spot ${i + 1}`,
            value: `${format.temperature(celsius, unit)}, typed`,
          })),
          ...ends.flatMap(([label, celsius]) =>
            celsius === null ? [] : [{ label, value: `${format.temperature(celsius, unit)}, typed` }],
          ),
        ],
      };
    });
}

/** Daylight photos that belong to no frame and stand in no finding. */
function photoSheet(document: VisitDocument, findings: readonly ReportFinding[]): Report['photos'] {
  const shown = new Set(findings.flatMap(({ photoId, exhibits }) => [photoId, ...exhibits.map((one) => one.photoId)]));
  const place = new Map(
    roundOf(document).groups.flatMap(({ name, stops }) =>
      stops.map(({ key, title }) => [key, `${name}, ${title.toLowerCase()}`]),
    ),
  );
  return photosOf(document)
    .filter(({ id, value }) => !value.evidence && value.frameId === null && !shown.has(id))
    .toSorted((a, b) => a.id.localeCompare(b.id))
    .map(({ id, value }) => ({
      photoId: id,
      words: [value.name, place.get(value.stopKey ?? '')].filter(Boolean).join(' · '),
    }));
}
