import type { InferSelectModel } from 'drizzle-orm';
import type { ColourMapName } from '@core/scale/colourMaps';
import type { Row } from '@core/visit/rows';
import type {
  conditions,
  finding,
  frame,
  intake,
  loan,
  loanHome,
  pair,
  photo,
  plan,
  region,
  settings,
  site,
  visit,
} from '../schema';

/** From a table's row to the row that people edit: the one place where the two shapes meet. */

export function regionRow(stored: InferSelectModel<typeof region>): Row<'region'> {
  const { id, version, frameId, name, shape, ordinal } = stored;
  return { id, version, value: { frameId, name, shape, ordinal } };
}

export function frameRow(
  stored: Pick<
    InferSelectModel<typeof frame>,
    'id' | 'version' | 'name' | 'roomId' | 'side' | 'referenceId' | 'ownLowC' | 'ownHighC'
  >,
): Row<'frame'> {
  const { id, version, name, roomId, side, referenceId, ownLowC, ownHighC } = stored;
  const ownScale = ownLowC === null || ownHighC === null ? null : { low: ownLowC, high: ownHighC };
  return { id, version, value: { name, roomId, side, referenceId, ownScale } };
}

export function settingsRowOf(stored: InferSelectModel<typeof settings>): Row<'settings'> {
  const { id, version, visitId, frameId, regionId, ...fields } = stored;
  const level = visitId ? 'visit' : frameId ? 'frame' : 'region';
  return { id, version, value: { level, ownerId: (visitId ?? frameId ?? regionId)!, ...fields } };
}

export function visitRowOf(stored: InferSelectModel<typeof visit>): Row<'visit'> {
  const { id, version, title, question, archived, startedAt, belowK, aboveK, referenceInsideId, referenceOutsideId } = stored;
  const span = { belowK, aboveK, colourMap: stored.colourMap as ColourMapName };
  return {
    id,
    version,
    value: { title, question, archived, startedAt: startedAt.getTime(), span, referenceInsideId, referenceOutsideId },
  };
}

export function conditionsRow(stored: InferSelectModel<typeof conditions>): Row<'conditions'> {
  const { id, version, ...value } = stored;
  return { id, version, value };
}

export function photoRow(stored: Pick<InferSelectModel<typeof photo>, 'id' | 'version' | 'frameId' | 'name'>): Row<'photo'> {
  const { id, version, frameId, name } = stored;
  return { id, version, value: { frameId, name } };
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
