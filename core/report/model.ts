import { CoreError } from '../errors';
import type { Origin, ResolvedSettings, Sourced } from '../radiometry/settings';
import { anchorFor } from '../visit/colours';
import { orderedFrames, photosOf, takenAtOf } from '../visit/frames';
import { compareRegions } from '../visit/readings';
import { settingsFor } from '../visit/settingsInForce';
import { conditionsOf, onlyRow, roomsOf, siteOf, visitDay, visitRow } from '../visit/theVisit';
import type { Outcome } from '../round/coverage';
import { roundOf, stopRowOf } from '../round/round';
import type { Stop } from '../round/stops';
import { orderedFindings } from '../visit/findings';
import { complaintFacts } from './complaints';
import type { Fact } from './fact';
import type { VisitDocument } from '../document';
import type { Row } from '../entities';
import { figureOf, type Figure } from './figure';
import { KINDS } from '../visit/kinds';
import type { Reading } from '../frame/reading';
import { BY_WORDS } from '../visit/byWords';
import { moistureOf } from '../visit/moisture';
import { moistureWords } from '../visit/moistureWords';
import { judgeConditions } from '../visit/judgeConditions';
import { localTime } from '../units/localTime';
import * as format from '../units/format';
import type { DisplayUnit } from '../units/temperature';

export type { Figure } from './figure';

export interface StatedRegion {
  name: string;
  mean: string;
  plusMinus: string;
  range: string;
  pixels: number;
}

export interface StatedDifference {
  value: string;
  plusMinus: string;
  sign: 'colder' | 'warmer' | 'level';
  words: string;
}

export interface ReportFinding {
  id: string;
  number: number;
  title: string;
  note: string;
  place: string;
  takenAt: string;
  photoId: string | null;
  /** Null with the reason when the regions cannot be read under their settings. */
  stated: {
    this: StatedRegion;
    that: StatedRegion;
    difference: StatedDifference;
    /** What is stated against what. */
    heading: string;
    /** Said when the second region lies on another frame. */
    across: string | null;
    /** What the first region's temperature means for moisture; empty outdoors. */
    moisture: Fact[];
    figure: Figure;
  } | null;
  problem: string | null;
  settings: Fact[];
}

/** What a report says; how it looks is decided elsewhere. */
export interface Report {
  site: string;
  address: string;
  visit: string;
  day: string;
  /** What kind of survey was wanted, in a sentence. */
  wanted: string;
  question: string;
  answer: string;
  /** Each complaint with what the survey says to it. */
  complaints: Fact[];
  /** What was done to the house, as somebody told it. */
  history: Fact[];
  conditions: Fact[];
  verdict: string;
  camera: string;
  findings: ReportFinding[];
  /** What was looked at, room by room. */
  coverage: Fact[];
  limits: string[];
  /** Pictures without data, with what somebody typed of them. */
  evidence: Evidence[];
}

/** A picture without data: what is said of it was typed by a person and never measured. */
export interface Evidence {
  photoId: string;
  name: string;
  facts: Fact[];
}

const ORIGINS: Record<Origin, string> = {
  visit: 'set for the visit',
  surface: 'set for the surface',
  frame: 'set for the frame',
  region: 'set for the region',
  conditions: 'from the conditions',
  path: 'reckoned from distance and humidity',
  air: 'taken as the air temperature',
  sky: 'ground and sky, from air and cloud',
  default: 'usual value',
};

/** Frames whose pixels a report needs: those of its findings and those that hold the references of their scales. */
export function framesOfReport(document: VisitDocument): string[] {
  const visit = visitRow(document).value;
  const ids = new Set<string>();
  for (const { value } of Object.values(document.rows.finding)) {
    ids.add(value.frameId);
    for (const regionId of [
      value.thatRegionId,
      document.rows.frame[value.frameId]?.value.referenceId,
      visit.referenceInsideId,
      visit.referenceOutsideId,
    ]) {
      const region = regionId ? document.rows.region[regionId] : undefined;
      if (region) ids.add(region.value.frameId);
    }
  }
  return [...ids];
}

/**
 * Everything that the report states, computed from the visit as it is now.
 *
 * @param pixels - stored values of a frame by its id; at least those of `framesOfReport`
 * @param unit - what temperatures are written in
 */
export function buildReport(
  document: VisitDocument,
  pixels: (frameId: string) => Float32Array | undefined,
  unit: DisplayUnit,
): Report {
  const site = siteOf(document);
  const visit = visitRow(document).value;
  const intake = onlyRow(document, 'intake').value;
  const findings = orderedFindings(document).map((row, i) => reportFinding(document, row, i + 1, pixels, unit));
  const cameraIds = new Set(Object.values(document.frameFacts).map((facts) => facts.cameraId));
  const cameras = Object.values(document.rows.camera)
    .filter(({ id }) => cameraIds.has(id))
    .map(({ value }) => value.name);
  return {
    site: site.name,
    address: site.address,
    visit: visit.title,
    day: visitDay(document),
    wanted: `The survey was wanted ${KINDS[intake.kind].wanted}.`,
    question: visit.question,
    complaints: complaintFacts(document, intake.complaints),
    history: intake.history.map(({ what, when }) => ({ label: when || 'at some time', value: what })),
    answer: answerWords(findings),
    conditions: conditionFacts(document, unit),
    verdict: judgeConditions(document).words,
    camera: cameras.join(', ') || 'not noted',
    findings,
    coverage: coverageFacts(document),
    limits: LIMITS,
    evidence: evidenceOf(document, unit),
  };
}

const LIMITS = [
  'A thermal frame shows surface temperatures at one moment. It does not see through walls, it does not measure air leakage, and a cause read from one frame is a likelihood until a check has settled it.',
  'Differences are between two regions of one frame, unless it says otherwise. The camera’s calibration error is common to both and largely cancels; what remains is noise, unevenness, emissivity and reflection, and it is in the ±.',
  '± is twice the standard uncertainty: a 95 % interval.',
  'Work on electricity, gas, flues, refrigerant, at heights or on what may hold asbestos belongs to licensed people; local codes come first.',
];

function evidenceOf(document: VisitDocument, unit: DisplayUnit): Evidence[] {
  return photosOf(document)
    .filter(({ value }) => value.evidence)
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

function answerWords(findings: ReportFinding[]): string {
  const outside = findings.filter(({ stated }) => stated && stated.difference.sign !== 'level').length;
  if (findings.length === 0) return 'No finding was recorded.';
  const count = findings.length === 1 ? 'One finding was recorded' : `${findings.length} findings were recorded`;
  const words =
    outside === findings.length
      ? findings.length === 1
        ? 'it lies'
        : 'all lie'
      : outside === 0
        ? 'none lies'
        : `${outside} of them ${outside === 1 ? 'lies' : 'lie'}`;
  return `${count}; ${words} outside the noise of the measurement.`;
}

function conditionFacts(document: VisitDocument, unit: DisplayUnit): Fact[] {
  const c = conditionsOf(document)?.value;
  const facts: [string, string | null][] = [
    ['Air inside', nullable(c?.insideC, (v) => format.temperature(v, unit))],
    ['Air outside', nullable(c?.outsideC, (v) => format.temperature(v, unit))],
    [
      'Difference',
      c && c.insideC !== null && c.outsideC !== null ? format.difference(Math.abs(c.insideC - c.outsideC), unit) : null,
    ],
    ['Humidity inside', nullable(c?.humidityPct, (v) => `${format.number(v, 0)} %`)],
    ['Wind', nullable(c?.windMs, (v) => `${format.number(v, 1)} m/s`)],
    ['Last sun on a wall', nullable(c?.sunHours, (v) => `${v} h before`)],
    ['Last rain', nullable(c?.rainHours, (v) => `${v} h before`)],
  ];
  return facts.map(([label, value]) => ({ label, value: value ?? 'not noted' }));
}

function nullable(value: number | null | undefined, show: (value: number) => string): string | null {
  return value === null || value === undefined ? null : show(value);
}

function placeWords(document: VisitDocument, frameId: string): string {
  const frame = document.rows.frame[frameId]!.value;
  const room = document.rows.room[frame.roomId ?? '']?.value.name ?? 'no place noted';
  return `${room} · ${frame.name}`;
}

function reportFinding(
  document: VisitDocument,
  row: Row<'finding'>,
  number: number,
  pixels: (frameId: string) => Float32Array | undefined,
  unit: DisplayUnit,
): ReportFinding {
  const { frameId, title, note, photoId, thisRegionId, thatRegionId, by } = row.value;
  const base = {
    id: row.id,
    number,
    title,
    note,
    place: placeWords(document, frameId),
    takenAt: localTime(takenAtOf(document, frameId), siteOf(document).timeZone),
    photoId,
    settings: settingFacts(settingsFor(document, frameId, thisRegionId), unit),
  };
  const values = pixels(frameId);
  const otherFrameId = document.rows.region[thatRegionId]!.value.frameId;
  const otherValues = pixels(otherFrameId);
  const anchor = anchorFor(document, frameId, pixels);
  if (!values || !otherValues || !anchor) return { ...base, stated: null, problem: 'The frame is not loaded yet.' };
  try {
    const comparison = compareRegions(document, thisRegionId, thatRegionId, values, otherValues, by);
    const { value, uncertainty, significant } = comparison.difference;
    const sign = !significant ? 'level' : value < 0 ? 'colder' : 'warmer';
    const state = (regionId: string, reading: typeof comparison.this): StatedRegion => ({
      name: document.rows.region[regionId]!.value.name,
      mean: format.temperature(reading.statistics.mean, unit),
      plusMinus: format.spread(reading.statistics.mean, reading.uncertainty, unit),
      range: `${format.bareTemperature(reading.statistics.min, unit)} … ${format.temperature(reading.statistics.max, unit)}`,
      pixels: reading.statistics.count,
    });
    const subject = `${by === 'mean' ? '' : `The ${BY_WORDS[by]}`}“${document.rows.region[thisRegionId]!.value.name}”`;
    const stated = { this: state(thisRegionId, comparison.this), that: state(thatRegionId, comparison.that) };
    return {
      ...base,
      problem: null,
      stated: {
        ...stated,
        heading: `${BY_WORDS[by]}${stated.this.name} against ${stated.that.name}`,
        difference: {
          value: format.signedDifference(value, unit),
          plusMinus: format.spread(value, uncertainty, unit),
          sign,
          words: {
            colder: `${subject} is colder than “${stated.that.name}”, outside the noise.`,
            warmer: `${subject} is warmer than “${stated.that.name}”, outside the noise.`,
            level: 'The difference lies within the noise: this frame does not show that the two differ.',
          }[sign],
        },
        across: comparison.acrossFrames
          ? `“${stated.that.name}” lies on another frame, ${placeWords(document, otherFrameId)}: the uncertainty holds what the camera changes from frame to frame.`
          : null,
        moisture: moistureFacts(document, frameId, comparison.this),
        figure: figureOf(document, frameId, anchor, values, unit, [
          { id: thisRegionId, mean: comparison.this.statistics.mean, reference: false },
          ...(comparison.acrossFrames ? [] : [{ id: thatRegionId, mean: comparison.that.statistics.mean, reference: true }]),
        ]),
      },
    };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { ...base, stated: null, problem: `${error.message} ${error.hint}` };
  }
}

function moistureFacts(document: VisitDocument, frameId: string, reading: Reading): Fact[] {
  const moisture = moistureOf(document, frameId, reading);
  return moisture ? moistureWords(moisture) : [];
}

/** Where a value was found, when somebody said. */
function sourceWords({ from }: Sourced): string {
  return from ? `, ${from}` : '';
}

function settingFacts(settings: ResolvedSettings, unit: DisplayUnit): Fact[] {
  const fact = (label: string, value: string, origin: Origin): Fact => ({ label, value: `${value} (${ORIGINS[origin]})` });
  const { emissivity, reflectedC, airC, distanceM, transmittance } = settings;
  return [
    fact('Emissivity', `${format.number(emissivity.value, 2)}${sourceWords(emissivity)}`, emissivity.origin),
    fact(
      'Reflected apparent temperature',
      `${format.temperature(reflectedC.value, unit)}${sourceWords(reflectedC)}`,
      reflectedC.origin,
    ),
    fact('Air', format.temperature(airC.value, unit), airC.origin),
    { label: 'Distance', value: distanceM.value === null ? 'not noted' : `${format.number(distanceM.value, 1)} m` },
    fact('Transmittance', format.number(transmittance.value, 2), transmittance.origin),
  ];
}

/** What was looked at, place by place, as the round has it; rooms without stops by their frames alone. */
function coverageFacts(document: VisitDocument): Fact[] {
  const { groups, outcomes } = roundOf(document);
  const framesAt = new Map<string, string[]>();
  for (const { value } of orderedFrames(document)) {
    const place = sceneOf(document, value);
    framesAt.set(place, [...(framesAt.get(place) ?? []), value.name]);
  }
  const stopsAt = new Map(groups.map((group) => [group.name, group.stops]));
  const places = new Set([...roomsOf(document).map(({ value }) => value.name), ...stopsAt.keys(), ...framesAt.keys()]);
  return [...places].map((label) => {
    const frames = framesAt.get(label) ?? [];
    const stops = stopsAt.get(label) ?? [];
    const told = frames.length > 0 ? frames.join(', ') : stops.length === 0 ? 'not looked at' : 'no frame';
    return { label, value: [told, ...stopWords(document, stops, outcomes)].join('; ') };
  });
}

/** The room of a frame, or the side of the house. */
function sceneOf(document: VisitDocument, { roomId, surfaceId }: Row<'frame'>['value']): string {
  const room = document.rows.room[roomId ?? '']?.value.name;
  return room ?? document.rows.surface[surfaceId ?? '']?.value.name ?? 'No place noted';
}

function stopWords(document: VisitDocument, stops: Stop[], outcomes: ReadonlyMap<string, Outcome>): string[] {
  if (stops.length === 0) return [];
  const of = (wanted: Outcome) => stops.filter(({ key }) => (outcomes.get(key) ?? null) === wanted);
  const titles = (list: Stop[]) => list.map(({ title }) => title.toLowerCase()).join(', ');
  const reached = of('unreached').map(({ key, title }) => {
    const { reason } = stopRowOf(document, key).value;
    return `${title.toLowerCase()}${reason ? ` (${reason.toLowerCase()})` : ''}`;
  });
  const open = of(null);
  return [
    `${stops.length - open.length} of ${stops.length} stops answered`,
    ...(of('nothing').length > 0 ? [`nothing to see: ${titles(of('nothing'))}`] : []),
    ...(of('unsolved').length > 0 ? [`unsolved: ${titles(of('unsolved'))}`] : []),
    ...(reached.length > 0 ? [`could not be reached: ${reached.join(', ')}`] : []),
    ...(open.length > 0 && open.length < stops.length ? [`not looked at: ${titles(open)}`] : []),
  ];
}
