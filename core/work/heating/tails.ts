import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { CoreError } from '../../ground/errors';
import { differenceOf, type Reading } from '../../method/frame/reading';
import { remembered } from '../../ground/derived';
import { emittersOf } from './emitters';
import { readingOf, regionsByFrame } from '../visit/readings';
import { partsOfFrame } from '../visit/settingsInForce';

/** Flow and return of an emitter as they were read; °C. */
export interface TailValues {
  flowC: number;
  returnC: number;
  /** Standard uncertainty of their difference, K, with all that the camera adds to both cancelled; null where they were typed. */
  dropU: number | null;
}

export type Pixels = (frameId: string) => Float32Array | undefined;

/** The frame whose pixels a reading needs; null for one that was typed or has lost its regions. */
export function frameOfReading({ rows }: VisitDocument, { value }: Row<'tailReading'>): string | null {
  const { frameId, flowRegionId, returnRegionId } = value;
  if (frameId === null || !rows.frame[frameId] || rows.frame[frameId].value.discarded) return null;
  return rows.region[flowRegionId ?? ''] && rows.region[returnRegionId ?? ''] ? frameId : null;
}

/**
 * Flow and return of a reading, from its regions under their settings, else as typed.
 *
 * @returns undefined while pixels are on their way, null where nothing is left to be read
 */
export function tailsOf(document: VisitDocument, row: Row<'tailReading'>, pixels: Pixels): TailValues | null | undefined {
  const { flowC, returnC, flowRegionId, returnRegionId } = row.value;
  const frameId = frameOfReading(document, row);
  if (frameId === null) return flowC === null || returnC === null ? null : { flowC, returnC, dropU: null };
  const values = pixels(frameId);
  if (!values) return undefined;
  const parts = [values, regionsByFrame(document).get(frameId), ...partsOfFrame(document, frameId)];
  return readOnce(row, parts, () => readTails(document, [flowRegionId!, returnRegionId!], values));
}

const readOnce = remembered<TailValues | null>();

function readTails(document: VisitDocument, regions: readonly [string, string], values: Float32Array): TailValues | null {
  try {
    const [flow, back] = regions.map((id) => readingOf(document, id, values)) as [Reading, Reading];
    const { total } = differenceOf(flow, back).uncertainty;
    return { flowC: flow.statistics.mean, returnC: back.statistics.mean, dropU: total };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return null;
  }
}

/** Readings of a visit, oldest first. */
export function readingsOf({ rows }: VisitDocument): Row<'tailReading'>[] {
  return Object.values(rows.tailReading)
    .filter(({ value }) => rows.service[value.serviceId])
    .sort((a, b) => a.value.at - b.value.at || (a.id < b.id ? -1 : 1));
}

/** Turns of a visit, oldest first. */
export function turnsOf({ rows }: VisitDocument): Row<'valveTurn'>[] {
  return Object.values(rows.valveTurn)
    .filter(({ value }) => rows.service[value.serviceId])
    .sort((a, b) => a.value.at - b.value.at || (a.id < b.id ? -1 : 1));
}

/** Every emitter of the house was read on this visit. */
export function allRead(document: VisitDocument): boolean {
  const read = new Set(readingsOf(document).map(({ value }) => value.serviceId));
  const emitters = emittersOf(document);
  return emitters.length > 0 && emitters.every(({ id }) => read.has(id));
}
