import type { InferSelectModel } from 'drizzle-orm';
import type { ColourMapName } from '@core/scale/colourMaps';
import type { Row } from '@core/visit/rows';
import type {
  camera,
  conditions,
  finding,
  frame,
  handover,
  instrument,
  intake,
  kit,
  kitList,
  loan,
  loanHome,
  log,
  material,
  pair,
  photo,
  plan,
  probe,
  putBack,
  region,
  room,
  sequence,
  settings,
  site,
  stop,
  surface,
  visit,
} from '../schema';

/** From a table’s row to the row that people edit; the way there is in columns.ts. */

export function regionRow(stored: InferSelectModel<typeof region>): Row<'region'> {
  const { id, version, frameId, name, shape, role, ordinal } = stored;
  return { id, version, value: { frameId, name, shape, role, ordinal } };
}

type FrameColumns = Pick<
  InferSelectModel<typeof frame>,
  'id' | 'version' | 'ownLowC' | 'ownHighC' | Exclude<keyof Row<'frame'>['value'], 'ownScale'>
>;

export function frameRow(stored: FrameColumns): Row<'frame'> {
  const { id, version, name, roomId, surfaceId, stopKey, discarded, side, referenceId, ownLowC, ownHighC } = stored;
  const { basis, measure, sequenceId, picked } = stored;
  const ownScale = ownLowC === null || ownHighC === null ? null : { low: ownLowC, high: ownHighC };
  const place = { roomId, surfaceId, stopKey, side };
  return { id, version, value: { name, ...place, discarded, referenceId, ownScale, basis, measure, sequenceId, picked } };
}

export function settingsRowOf(stored: InferSelectModel<typeof settings>): Row<'settings'> {
  const { id, version, visitId, surfaceId, frameId, regionId, ...fields } = stored;
  const level = visitId ? 'visit' : surfaceId ? 'surface' : frameId ? 'frame' : 'region';
  return { id, version, value: { level, ownerId: (visitId ?? surfaceId ?? frameId ?? regionId)!, ...fields } };
}

export function visitRowOf(stored: InferSelectModel<typeof visit>): Row<'visit'> {
  const { id, version, title, question, archived, startedAt, belowK, aboveK, cameraId, referenceInsideId, referenceOutsideId } =
    stored;
  const { fixed, shade } = stored;
  const span = { belowK, aboveK, colourMap: stored.colourMap as ColourMapName, fixed, shade };
  return {
    id,
    version,
    value: { title, question, archived, startedAt: startedAt.getTime(), span, cameraId, referenceInsideId, referenceOutsideId },
  };
}

export function conditionsRow(stored: InferSelectModel<typeof conditions>): Row<'conditions'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function photoRow(
  stored: Pick<InferSelectModel<typeof photo>, 'id' | 'version' | keyof Row<'photo'>['value']>,
): Row<'photo'> {
  const { id, version, frameId, name, role, stopKey, discarded, evidence, typed, alignment, quarters, mirrored } = stored;
  return { id, version, value: { frameId, name, role, stopKey, discarded, evidence, typed, alignment, quarters, mirrored } };
}

export function sequenceRow(stored: InferSelectModel<typeof sequence>): Row<'sequence'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function probeRow(stored: InferSelectModel<typeof probe>): Row<'probe'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function materialRow(stored: InferSelectModel<typeof material>): Row<'material'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function findingRow(stored: InferSelectModel<typeof finding>, of: InferSelectModel<typeof pair>): Row<'finding'> {
  const { id, version, visitId, frameId, photoId, title, note } = stored;
  return {
    id,
    version,
    value: { visitId, frameId, thisRegionId: of.thisRegionId, thatRegionId: of.thatRegionId, photoId, title, note },
  };
}

export function siteRow(stored: InferSelectModel<typeof site>): Row<'site'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function intakeRow(stored: InferSelectModel<typeof intake>): Row<'intake'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function planRow(stored: InferSelectModel<typeof plan>): Row<'plan'> {
  const { id, version, slotFrom, slotTo, ...rest } = stored;
  const slot = slotFrom === null || slotTo === null ? null : { from: slotFrom.getTime(), to: slotTo.getTime() };
  return { id, version, value: { ...rest, slot } };
}

export function loanRow(stored: InferSelectModel<typeof loan>): Row<'loan'> {
  const { id, version, startsAt, endsAt, ...rest } = stored;
  return { id, version, value: { ...rest, from: startsAt.getTime(), to: endsAt.getTime() } };
}

export function loanHomeRow(stored: InferSelectModel<typeof loanHome>): Row<'loanHome'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function roomRow(stored: InferSelectModel<typeof room>): Row<'room'> {
  const { id, version, planX, planY, planWidth, planDepth, ...rest } = stored;
  return { id, version, value: { ...rest, plan: { x: planX, y: planY, width: planWidth, depth: planDepth } } };
}

export function surfaceRow(stored: Omit<InferSelectModel<typeof surface>, 'described'>): Row<'surface'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function stopRow(stored: InferSelectModel<typeof stop>): Row<'stop'> {
  const { id, version, openedAt, answeredAt, ...rest } = stored;
  return { id, version, value: { ...rest, openedAt: openedAt?.getTime() ?? null, answeredAt: answeredAt?.getTime() ?? null } };
}

export function putBackRow(stored: InferSelectModel<typeof putBack>): Row<'putBack'> {
  const { id, version, changedAt, putBackAt, ...rest } = stored;
  return { id, version, value: { ...rest, changedAt: changedAt.getTime(), putBackAt: putBackAt?.getTime() ?? null } };
}

export function logRow(stored: InferSelectModel<typeof log>): Row<'log'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function kitRow(stored: InferSelectModel<typeof kit>): Row<'kit'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function cameraRow(stored: InferSelectModel<typeof camera>): Row<'camera'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function instrumentRow(stored: InferSelectModel<typeof instrument>): Row<'instrument'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function handoverRow(stored: InferSelectModel<typeof handover>): Row<'handover'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function kitListRow(stored: InferSelectModel<typeof kitList>): Row<'kitList'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}
