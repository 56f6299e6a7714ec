import type { Settings } from '../radiometry/settings';
import { radiometricSettings, resolveSettings, type ResolvedSettings } from '../radiometry/settings';
import { DEFAULT_UNCERTAINTY, type SharedInputs, type UncertaintySources } from '../radiometry/uncertainty';
import { differenceOf, readRegion, type Difference, type Reading } from '../frame/reading';
import { CoreError } from '../errors';
import { steadyScale, type Scale } from '../scale/scale';
import { dewPointFromHumidity, MOULD_HUMIDITY, surfaceTemperatureAtHumidity } from '../building/saturation';
import { airAt } from '../round/airLog';
import { localDay } from '../units/localTime';
import type { VisitDocument } from './document';
import type { Row, SiteValue } from './rows';

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

/** Frames in the order in which people walk: by room, then by time. */
export function orderedFrames(document: VisitDocument): Row<'frame'>[] {
  const place = new Map(roomsOf(document).map(({ id }, i) => [id, i]));
  const key = (row: Row<'frame'>) => (row.value.roomId === null ? Infinity : (place.get(row.value.roomId) ?? Infinity));
  const time = (row: Row<'frame'>) => document.frameFacts[row.id]!.takenAt;
  return framesOf(document).sort(
    (a, b) => (key(a) === key(b) ? 0 : key(a) - key(b)) || time(a).localeCompare(time(b)) || a.id.localeCompare(b.id),
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
    Date.parse(document.frameFacts[frameId]!.takenAt),
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

export function sourcesFor(document: VisitDocument, frameId: string): UncertaintySources {
  const camera = document.rows.camera[document.frameFacts[frameId]!.cameraId ?? '']?.value;
  return camera
    ? { ...DEFAULT_UNCERTAINTY, calibration: camera.calibrationK, uniformity: camera.uniformityK }
    : DEFAULT_UNCERTAINTY;
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
    { width: facts.width, height: facts.height, values, basis: facts.basis },
    { name, shape },
    radiometricSettings(settingsFor(document, frameId, regionId)),
    facts.noiseK,
    sourcesFor(document, frameId),
  );
}

/** What two regions share: a setting is common unless one of them has its own. */
function sharedBetween(document: VisitDocument, a: string, b: string): SharedInputs {
  const own = (id: string) => settingsRow(document, id)?.value;
  return {
    emissivity: (own(a)?.emissivity ?? null) === null && (own(b)?.emissivity ?? null) === null,
    reflected: (own(a)?.reflectedC ?? null) === null && (own(b)?.reflectedC ?? null) === null,
  };
}

export interface Comparison {
  this: Reading;
  that: Reading;
  difference: Difference;
}

/** This against that, both in one frame. */
export function compareRegions(document: VisitDocument, thisId: string, thatId: string, values: Float32Array): Comparison {
  const a = readingOf(document, thisId, values);
  const b = readingOf(document, thatId, values);
  const frameId = document.rows.region[thisId]!.value.frameId;
  const difference = differenceOf(a, b, sourcesFor(document, frameId), sharedBetween(document, thisId, thatId));
  return { this: a, that: b, difference };
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

export function steadyScaleFor(document: VisitDocument, anchor: ScaleAnchor): Scale {
  return steadyScale(anchor.celsius, visitRow(document).value.span);
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
