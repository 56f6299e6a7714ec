import type { Settings } from '../radiometry/settings';
import { radiometricSettings, resolveSettings, type ResolvedSettings } from '../radiometry/settings';
import { DEFAULT_UNCERTAINTY, type SharedInputs, type UncertaintySources } from '../radiometry/uncertainty';
import { differenceOf, readRegion, regionSpans, type Difference, type Measured, type Reading } from '../frame/reading';
import { CoreError } from '../errors';
import type { CameraValue } from '../camera/cameraRow';
import type { VisitDocument } from '../document';
import type { Row } from '../entities';
import type { ProbeValue } from '../frame/probeRow';
import type { SiteValue } from './siteRow';
import { metricOf, type Metric } from '../frame/metric';
import type { Shape, Span } from '../frame/region';
import { radianceLine, type RadianceLine } from '../radiometry/measurement';
import { againstScale, steadyScale, type Scale, type Shade } from '../scale/scale';
import { dewPointFromHumidity, MOULD_HUMIDITY, surfaceTemperatureAtHumidity } from '../building/saturation';
import { airAt } from '../round/airLog';
import { localDay } from '../units/localTime';

/** What follows from a visit's rows. Nothing here is stored; everything is computed again when a row changes. */

export function visitRow(document: VisitDocument): Row<'visit'> {
  return document.rows.visit[document.visitId]!;
}

/** The visit's day by the site's calendar, in words. */
export function visitDay(document: VisitDocument): string {
  return localDay(new Date(visitRow(document).value.startedAt).toISOString(), siteOf(document).timeZone);
}

export function conditionsOf(document: VisitDocument): Row<'conditions'> | undefined {
  return Object.values(document.rows.conditions)[0];
}

export function siteOf(document: VisitDocument): SiteValue {
  return document.rows.site[document.siteId]!.value;
}

/** The one row of a kind that a visit has once. */
export function onlyRow<E extends 'intake' | 'plan'>(document: VisitDocument, entity: E): Row<E> {
  return Object.values(document.rows[entity])[0]!;
}

/** The site's rooms in the order of the round. */
export function roomsOf(document: VisitDocument): Row<'room'>[] {
  return Object.values(document.rows.room).sort((a, b) => a.value.ordinal - b.value.ordinal || a.id.localeCompare(b.id));
}

/** Frames that were not taken back. */
export function framesOf(document: VisitDocument): Row<'frame'>[] {
  return Object.values(document.rows.frame).filter(({ value }) => !value.discarded);
}

/** Photos that were not taken back. */
export function photosOf(document: VisitDocument): Row<'photo'>[] {
  return Object.values(document.rows.photo).filter(({ value }) => !value.discarded);
}

/** When a frame was really taken: by the clock of its camera, less what that clock is known to be ahead. ISO, UTC. */
export function takenAtOf(document: VisitDocument, frameId: string): string {
  const { takenAt } = document.frameFacts[frameId]!;
  const aheadS = cameraOfFrame(document, frameId)?.clockAheadS ?? 0;
  return aheadS === 0 ? takenAt : new Date(Date.parse(takenAt) - 1000 * aheadS).toISOString();
}

/** Frames in the order in which people walk: by room, then by time. */
export function orderedFrames(document: VisitDocument): Row<'frame'>[] {
  const place = new Map(roomsOf(document).map(({ id }, i) => [id, i]));
  const key = (row: Row<'frame'>) => (row.value.roomId === null ? Infinity : (place.get(row.value.roomId) ?? Infinity));
  const time = (row: Row<'frame'>) => takenAtOf(document, row.id);
  return framesOf(document).sort(
    (a, b) =>
      (key(a) === key(b) ? 0 : key(a) - key(b)) ||
      time(a).localeCompare(time(b)) ||
      document.frameFacts[a.id]!.page - document.frameFacts[b.id]!.page ||
      a.id.localeCompare(b.id),
  );
}

export function regionsOf(document: VisitDocument, frameId: string): Row<'region'>[] {
  return Object.values(document.rows.region)
    .filter((row) => row.value.frameId === frameId)
    .sort((a, b) => a.value.ordinal - b.value.ordinal || a.id.localeCompare(b.id));
}

export function settingsRow(document: VisitDocument, ownerId: string): Row<'settings'> | undefined {
  return Object.values(document.rows.settings).find((row) => row.value.ownerId === ownerId);
}

/** Settings in force for a frame, or for one of its regions. */
export function settingsFor(document: VisitDocument, frameId: string, regionId?: string): ResolvedSettings {
  const frame = document.rows.frame[frameId]!;
  const conditions = conditionsOf(document)?.value;
  const inside = frame.value.side === 'inside';
  const logged = airAt(
    Object.values(document.rows.log).flatMap(({ value }) => value.entries),
    Date.parse(takenAtOf(document, frameId)),
  );
  const of = (id: string | null | undefined): Settings | null =>
    id === undefined || id === null ? null : (settingsRow(document, id)?.value ?? null);
  return resolveSettings(
    { visit: of(document.visitId), surface: of(frame.value.surfaceId), frame: of(frameId), region: of(regionId) },
    {
      airC: (inside ? (logged.insideC ?? conditions?.insideC) : (logged.outsideC ?? conditions?.outsideC)) ?? null,
      humidityPct: inside ? (logged.humidityPct ?? conditions?.humidityPct ?? null) : null,
    },
  );
}

export function cameraOfFrame(document: VisitDocument, frameId: string): CameraValue | null {
  return document.rows.camera[document.frameFacts[frameId]!.cameraId ?? '']?.value ?? null;
}

/** What goes into the uncertainty of a reading: the camera's own, and what is known of the settings. */
export function sourcesFor(document: VisitDocument, frameId: string, regionId?: string): UncertaintySources {
  const camera = cameraOfFrame(document, frameId);
  const { emissivity, reflectedC, transmittanceU } = settingsFor(document, frameId, regionId);
  return {
    calibration: camera?.calibrationK ?? DEFAULT_UNCERTAINTY.calibration,
    uniformity: camera?.uniformityK ?? DEFAULT_UNCERTAINTY.uniformity,
    emissivity: emissivity.u ?? DEFAULT_UNCERTAINTY.emissivity,
    reflected: reflectedC.u ?? DEFAULT_UNCERTAINTY.reflected,
    transmittance: transmittanceU,
  };
}

/** Shapes that were left out of a frame by hand. */
export function leftOutOf(document: VisitDocument, frameId: string): Shape[] {
  return regionsOf(document, frameId)
    .filter(({ value }) => value.role === 'leftOut')
    .map(({ value }) => value.shape);
}

/** What is measured on a frame: its values as they are stored, what they are, and what was left out. */
export function measuredFrame(document: VisitDocument, frameId: string, values: Float32Array): Measured {
  const { width, height } = document.frameFacts[frameId]!;
  const { basis } = document.rows.frame[frameId]!.value;
  return { width, height, values, basis, leftOut: leftOutOf(document, frameId) };
}

/** From a frame's stored values to object temperatures under its settings. */
export function lineFor(document: VisitDocument, frameId: string): RadianceLine {
  return radianceLine(document.rows.frame[frameId]!.value.basis, radiometricSettings(settingsFor(document, frameId)));
}

/**
 * A region's reading under its settings.
 *
 * @param values - the frame's stored values
 * @throws CoreError as `readRegion`
 */
export function readingOf(document: VisitDocument, regionId: string, values: Float32Array): Reading {
  const region = document.rows.region[regionId];
  if (!region) throw new CoreError('not_found', 'The region is gone.', {}, 'Choose another region.');
  const { frameId, name, shape } = region.value;
  const facts = document.frameFacts[frameId]!;
  return readRegion(
    measuredFrame(document, frameId, values),
    { name, shape },
    radiometricSettings(settingsFor(document, frameId, regionId)),
    facts.noiseK,
    sourcesFor(document, frameId, regionId),
  );
}

/**
 * The pixels of a region on its frame, row by row.
 *
 * @throws CoreError as `readRegion`
 */
export function pixelsOf(document: VisitDocument, regionId: string, values: Float32Array): Span[] {
  const { frameId, name, shape } = document.rows.region[regionId]!.value;
  const frame = measuredFrame(document, frameId, values);
  return regionSpans(
    frame,
    { name, shape },
    radianceLine(frame.basis, radiometricSettings(settingsFor(document, frameId, regionId))),
  );
}

/** Error of a camera from one frame to the next that is taken when the camera is not known, K. */
const USUAL_REPEATABILITY_K = 0.3;

/** What two regions share: a setting is common when both take it from the same place. */
function sharedBetween(document: VisitDocument, a: string, b: string): SharedInputs {
  const [frameA, frameB] = [a, b].map((id) => document.rows.region[id]!.value.frameId) as [string, string];
  const [settingsA, settingsB] = [settingsFor(document, frameA, a), settingsFor(document, frameB, b)];
  const surfaceOf = (frameId: string) => document.rows.frame[frameId]!.value.surfaceId;
  const common = (name: 'emissivity' | 'reflectedC') => {
    const origin = settingsA[name].origin;
    if (origin !== settingsB[name].origin || origin === 'region') return false;
    if (origin === 'frame') return frameA === frameB;
    return origin !== 'surface' || surfaceOf(frameA) === surfaceOf(frameB);
  };
  const shared = { emissivity: common('emissivity'), reflected: common('reflectedC') };
  if (frameA === frameB) return shared;
  const [cameraA, cameraB] = [frameA, frameB].map((id) => document.frameFacts[id]!.cameraId);
  const repeatability = Math.max(
    ...[frameA, frameB].map((id) => cameraOfFrame(document, id)?.repeatabilityK ?? USUAL_REPEATABILITY_K),
  );
  return { ...shared, otherFrame: { repeatability, sameCamera: cameraA !== null && cameraA === cameraB } };
}

export interface Comparison {
  this: Reading;
  that: Reading;
  difference: Difference;
  /** They lie in two frames: the camera's repeatability is in the uncertainty. */
  acrossFrames: boolean;
}

/**
 * This against that, in one frame or in two of the visit.
 *
 * @param values - stored values of the frame of the first region
 * @param otherValues - of the frame of the second, when it is another
 */
export function compareRegions(
  document: VisitDocument,
  thisId: string,
  thatId: string,
  values: Float32Array,
  otherValues: Float32Array = values,
): Comparison {
  const a = readingOf(document, thisId, values);
  const b = readingOf(document, thatId, otherValues);
  const [frameA, frameB] = [thisId, thatId].map((id) => document.rows.region[id]!.value.frameId) as [string, string];
  const difference = differenceOf(
    a,
    b,
    sourcesFor(document, frameA, thisId),
    sharedBetween(document, thisId, thatId),
    sourcesFor(document, frameB, thatId),
  );
  return { this: a, that: b, difference, acrossFrames: frameA !== frameB };
}

/** What the steady scale of a frame is centred on, for people to read on every picture. */
export interface ScaleAnchor {
  celsius: number;
  /** The frame's own reference, the visit's on that side, or nothing better than the mean of the frame. */
  source: 'frame' | 'visit' | 'mean';
  /** Name of the reference region; null for a mean. */
  name: string | null;
  regionId: string | null;
}

/**
 * The reference that a frame's steady scale is centred on: its own, else the visit's for its side, else the frame's mean.
 *
 * @param pixels - stored values of a frame by its id, as far as they are at hand
 * @returns null while the pixels of the reference are still missing
 */
export function anchorFor(
  document: VisitDocument,
  frameId: string,
  pixels: (frameId: string) => Float32Array | undefined,
): ScaleAnchor | null {
  const { referenceId, side } = document.rows.frame[frameId]!.value;
  const visit = visitRow(document).value;
  const ofVisit = side === 'inside' ? visit.referenceInsideId : visit.referenceOutsideId;
  for (const [source, id] of [
    ['frame', referenceId],
    ['visit', ofVisit],
  ] as const) {
    const region = id === null ? undefined : document.rows.region[id];
    if (!region) continue;
    const values = pixels(region.value.frameId);
    if (!values) return null;
    try {
      const mean = readingOf(document, region.id, values).statistics.mean;
      return { celsius: mean, source, name: region.value.name, regionId: region.id };
    } catch (error) {
      // A reference that cannot be read under its settings cannot anchor colours; the next best does.
      if (!(error instanceof CoreError)) throw error;
    }
  }
  return { celsius: document.frameFacts[frameId]!.meanC, source: 'mean', name: null, regionId: null };
}

/** The steady scale of a frame, with the visit's shade. */
export function steadyScaleFor(document: VisitDocument, frameId: string, anchor: ScaleAnchor): Scale {
  return { ...steadyScale(anchor.celsius, visitRow(document).value.span), shade: shadeFor(document, frameId, anchor) };
}

/** Colours of a frame that part at its reference. */
export function againstScaleFor(document: VisitDocument, frameId: string, anchor: ScaleAnchor): Scale {
  return { ...againstScale(anchor.celsius, visitRow(document).value.span), shade: shadeFor(document, frameId, anchor) };
}

/** What the visit shades, on this frame; null when nothing, or when what it is reckoned from is not known here. */
export function shadeFor(document: VisitDocument, frameId: string, anchor: ScaleAnchor): Shade | null {
  const rule = visitRow(document).value.span.shade;
  if (!rule) return null;
  const from =
    rule.from === 'zero'
      ? 0
      : rule.from === 'reference'
        ? anchor.celsius
        : meaningsFor(document, frameId).find(({ name }) => name === rule.from)?.celsius;
  return from === undefined ? null : { side: rule.side, celsius: from + rule.offsetK };
}

/** How pixels of a frame become metres; null when nothing is known, or when what was marked makes no sense. */
export function metricFor(document: VisitDocument, frameId: string): Metric | null {
  const { width, height } = document.frameFacts[frameId]!;
  try {
    return metricOf(
      document.rows.frame[frameId]!.value.measure,
      cameraOfFrame(document, frameId),
      settingsFor(document, frameId).distanceM.value,
      { width, height },
    );
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return null;
  }
}

/** What a probe showed, with its instrument's offset and uncertainty, °C and K (k = 1). */
export function probeReading(document: VisitDocument, probe: ProbeValue): { celsius: number; uncertainty: number } {
  const instrument = document.rows.instrument[probe.instrumentId ?? '']?.value;
  return {
    celsius: probe.celsius + (instrument?.offset ?? 0),
    uncertainty: Math.hypot(probe.uncertaintyK, instrument?.uncertainty ?? 0),
  };
}

/** Temperatures that mean something on the scale. */
export interface Meaning {
  name: 'air' | 'dew point' | 'mould risk';
  celsius: number;
}

/** Air, dew point and where mould becomes likely on a frame's side; the humidity that is known is the air's inside. */
export function meaningsFor(document: VisitDocument, frameId: string): Meaning[] {
  const { airC, humidityPct } = settingsFor(document, frameId);
  const meanings: Meaning[] = [];
  if (airC.origin !== 'default') meanings.push({ name: 'air', celsius: airC.value });
  const humidity = humidityPct.value;
  if (airC.origin !== 'default' && humidity !== null && humidity > 0) {
    meanings.push(
      { name: 'dew point', celsius: dewPointFromHumidity(airC.value, humidity / 100) },
      { name: 'mould risk', celsius: surfaceTemperatureAtHumidity(airC.value, humidity / 100, MOULD_HUMIDITY) },
    );
  }
  return meanings;
}
