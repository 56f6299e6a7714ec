import type { VisitDocument } from '../document';
import type { Row } from '../entities';
import { type RadianceLine, radianceLine } from '../radiometry/measurement';
import { type ResolvedSettings, type Settings, radiometricSettings, resolveSettings } from '../radiometry/settings';
import { DEFAULT_UNCERTAINTY, type UncertaintySources } from '../radiometry/uncertainty';
import { airAt } from './airLog';
import { derived } from '../rows/derived';
import { cameraOfFrame, takenAtOf } from './frames';
import { conditionsOf } from './theVisit';

const settingsByOwner = derived(
  (document: VisitDocument) => [document.rows.settings],
  ({ rows }) => new Map(Object.values(rows.settings).map((row) => [row.value.ownerId, row])),
);

/** The settings that were given to a visit, surface, frame or region. */
export function settingsRow(document: VisitDocument, ownerId: string): Row<'settings'> | undefined {
  return settingsByOwner(document).get(ownerId);
}

const loggedAir = derived(
  (document: VisitDocument) => [document.rows.log],
  ({ rows }) => Object.values(rows.log).flatMap(({ value }) => value.entries),
);

/** Settings in force for a frame, or for one of its regions. */
export function settingsFor(document: VisitDocument, frameId: string, regionId?: string): ResolvedSettings {
  const frame = document.rows.frame[frameId]!;
  const conditions = conditionsOf(document)?.value;
  const inside = frame.value.side === 'inside';
  const logged = airAt(loggedAir(document), Date.parse(takenAtOf(document, frameId)));
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

/** From a frame's stored values to object temperatures under its settings. */
export function lineFor(document: VisitDocument, frameId: string): RadianceLine {
  return radianceLine(document.rows.frame[frameId]!.value.basis, radiometricSettings(settingsFor(document, frameId)));
}
