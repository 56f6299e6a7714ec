import type { Look, Place } from '../compare/change';
import type { VisitDocument } from '../document';
import { spansOf } from '../frame/region';
import { settingsFor } from '../visit/settingsInForce';
import { surfaceFor } from '../visit/surface';
import { conditionsOf } from '../visit/theVisit';
import type { PairRegion } from './pairRow';

/**
 * A frame as it goes into a proof: surface temperatures under its settings, with the air on both sides of the wall.
 *
 * @returns null while the visit does not know the air inside or outside
 */
export function lookFor(document: VisitDocument, frameId: string, values: Float32Array): Look | null {
  const { insideC, outsideC } = conditionsOf(document)?.value ?? { insideC: null, outsideC: null };
  if (insideC === null || outsideC === null) return null;
  return {
    surface: surfaceFor(document, frameId, values),
    insideC,
    outsideC,
    emissivity: settingsFor(document, frameId).emissivity.value,
  };
}

/** A region of a pair as a place of its earlier frame. */
export function placeOf({ id, shape, surface }: PairRegion, { width, height }: { width: number; height: number }): Place {
  const cut =
    shape.kind === 'box' && (shape.x < 0 || shape.y < 0 || shape.x + shape.width > width || shape.y + shape.height > height);
  const said = surface === null ? 'not-said' : surface === 'unchanged' ? 'unchanged' : 'changed';
  return { name: id, spans: spansOf(shape, width, height), cut, surface: said };
}

/**
 * The later frame as it would have looked in the weather and with the heating of the earlier visit: what its temperature
 * factor gives between the earlier visit's air inside and outside.
 */
export function inWeatherOf(before: Look, after: Look): Float32Array {
  const drive = (before.insideC - before.outsideC) / (after.insideC - after.outsideC);
  return after.surface.values.map((value) => before.outsideC + (value - after.outsideC) * drive);
}
