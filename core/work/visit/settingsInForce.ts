import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { INSTRUMENT_U } from '../../ground/instruments';
import { type RadianceLine, radianceLine } from '../../method/radiometry/measurement';
import {
  type Origin,
  type ResolvedSettings,
  type Settings,
  type Sourced,
  radiometricSettings,
  resolveSettings,
} from '../../method/radiometry/settings';
import { type Input, linear, type Quantity, uncertain } from '../../method/radiometry/quantity';
import { type CameraErrors, type UncertainSettings, USUAL_CAMERA, USUAL_UNCERTAINTY } from '../../method/radiometry/uncertainty';
import { derived } from '../../ground/derived';
import { cameraIdOfFrame, cameraOfFrame } from './frames';
import { sideOf, standingOf } from './standing';
import { conditionsOf } from './theVisit';

const settingsByOwner = derived(
  (document: VisitDocument) => [document.rows.settings],
  ({ rows }) => new Map(Object.values(rows.settings).map((row) => [row.value.ownerId, row])),
);

/** The settings that were given to a visit, surface, frame or region. */
export function settingsRow(document: VisitDocument, ownerId: string): Row<'settings'> | undefined {
  return settingsByOwner(document).get(ownerId);
}

/** Settings in force for a frame, or for one of its regions. */
export function settingsFor(document: VisitDocument, frameId: string, regionId?: string): ResolvedSettings {
  const frame = document.rows.frame[frameId]!;
  const conditions = conditionsOf(document)?.value;
  const { side, hereC, humidityPct } = standingOf(document, frameId);
  const of = (id: string | null | undefined): Settings | null =>
    id === undefined || id === null ? null : (settingsRow(document, id)?.value ?? null);
  return resolveSettings(
    { visit: of(document.visitId), surface: of(frame.value.surfaceId), frame: of(frameId), region: of(regionId) },
    {
      airC: hereC,
      humidityPct,
      side,
      cloudPct: conditions?.cloudPct ?? null,
    },
  );
}

/** The camera's errors in a frame. */
export function cameraErrorsFor(document: VisitDocument, frameId: string): CameraErrors {
  const camera = cameraOfFrame(document, frameId);
  const cameraId = cameraIdOfFrame(document, frameId);
  const { noiseK } = document.frameFacts[frameId]!;
  return {
    // Of cameras that nobody named, each frame may be another's.
    camera: cameraId ? `camera ${cameraId}` : `camera of frame ${frameId}`,
    frame: `frame ${frameId}`,
    calibration: camera?.calibrationK ?? USUAL_CAMERA.calibration,
    repeatability: camera?.repeatabilityK ?? INSTRUMENT_U.repeatabilityK,
    gain: camera?.gain ?? USUAL_CAMERA.gain,
    shutterC: USUAL_CAMERA.shutterC,
    uniformity: camera?.uniformityK ?? USUAL_CAMERA.uniformity,
    noise: noiseK,
    blur: camera?.blurPx ?? USUAL_CAMERA.blur,
  };
}

/** Settings in force for a frame or one of its regions, with what is not known of them and what they share with others. */
export function uncertainSettingsFor(document: VisitDocument, frameId: string, regionId?: string): UncertainSettings {
  const { emissivity, reflectedC, airC, transmittance, transmittanceU, material } = settingsFor(document, frameId, regionId);
  const side = sideOf(document, frameId);
  const owner = regionId ?? frameId;
  return {
    emissivity: sourcedQuantity(
      emissivity,
      { name: `emissivity of ${emissivityGroup(document, frameId, owner, emissivity.origin, material)}`, part: 'emissivity' },
      USUAL_UNCERTAINTY.emissivity,
    ),
    reflected: sourcedQuantity(
      reflectedC,
      { name: `reflected by ${reflectedGroup(document, frameId, owner, reflectedC)}`, part: 'reflected' },
      USUAL_UNCERTAINTY.reflected,
    ),
    air: uncertain(airC.value, { name: `air ${side}`, part: 'air', u: USUAL_UNCERTAINTY.air }),
    transmittance: uncertain(transmittance.value, { name: 'air path', part: 'path', u: transmittanceU }),
  };
}

/** A setting with its uncertainty: what it shares with others by name, the rest as an error of its own. */
function sourcedQuantity({ value, u, shares }: Sourced, own: Omit<Input, 'u'>, usual: number): Quantity {
  const total = u ?? usual;
  const shared = shares.reduce((sum, { per, u: each }) => sum + (per * each) ** 2, 0);
  return linear(value, [...shares, { ...own, u: Math.sqrt(Math.max(0, total * total - shared)), per: 1 }]);
}

/**
 * What has one emissivity, known or not: what is made of one material, and what lies on one surface. Two regions that only
 * took the same value have each their own.
 */
function emissivityGroup(
  document: VisitDocument,
  frameId: string,
  owner: string,
  origin: Origin,
  material: string | null,
): string {
  if (material !== null) return `material ${material}`;
  const { surfaceId } = document.rows.frame[frameId]!.value;
  return surfaceId && origin !== 'region' ? `surface ${surfaceId}` : owner;
}

/**
 * What mirrors the same: indoors all that stands in one room, outdoors nothing until foil told, because no two walls see the
 * same part of the sky.
 */
function reflectedGroup(document: VisitDocument, frameId: string, owner: string, { origin, from }: Sourced): string {
  const { surfaceId, roomId } = document.rows.frame[frameId]!.value;
  const side = sideOf(document, frameId);
  if (origin === 'region') return owner;
  const told = side !== 'outside' || from !== null;
  if (origin === 'frame') return told ? frameId : owner;
  if (origin === 'surface') return told ? `surface ${surfaceId}` : owner;
  if (side === 'outside') return owner;
  const room = (surfaceId && document.rows.surface[surfaceId]?.value.roomId) ?? roomId;
  return `room ${room ?? 'unknown'}`;
}

/** From a frame's stored values to object temperatures under its settings. */
export function lineFor(document: VisitDocument, frameId: string): RadianceLine {
  return radianceLine(document.rows.frame[frameId]!.value.basis, radiometricSettings(settingsFor(document, frameId)));
}

/** All that a frame's temperatures follow from besides its pixels; for what is remembered of it. */
export function partsOfFrame(document: VisitDocument, frameId: string): unknown[] {
  const { rows, frameFacts } = document;
  return [
    rows.frame[frameId],
    frameFacts[frameId],
    rows.settings,
    rows.camera,
    cameraIdOfFrame(document, frameId),
    rows.conditions,
    rows.log,
    rows.room,
    rows.surface,
  ];
}
