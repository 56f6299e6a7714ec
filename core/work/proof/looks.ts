import { type Known, type Look, outerAirC, type Place } from '../../method/compare/change';
import type { VisitDocument } from '../../model/document';
import { spansOf } from '../../method/frame/region';
import { settingsFor } from '../visit/settingsInForce';
import { surfaceFor } from '../visit/surface';
import { standingOf } from '../visit/standing';
import { wallHistoryOf } from '../visit/wallHistoryOf';
import type { SurfaceValue } from '../../model/surfaceRow';
import type { WallClass } from '../../method/weather/wallFamilies';
import type { PairRegion, PairValue } from '../../model/pairRow';

/**
 * A frame as it goes into a proof: surface temperatures under its settings, with the air on both sides of the wall.
 *
 * @returns null while the visit does not know the air inside or outside
 */
export function lookFor(document: VisitDocument, frameId: string, values: Float32Array): Look | null {
  const facts = lookFactsFor(document, frameId);
  return facts && { surface: surfaceFor(document, frameId, values), ...facts };
}

/** The same without its pixels. */
export function lookFactsFor(document: VisitDocument, frameId: string): Omit<Look, 'surface'> | null {
  const { side, insideC, outsideC, spaceC } = standingOf(document, frameId);
  if (insideC === null || outsideC === null) return null;
  return {
    side,
    insideC,
    outsideC,
    spaceC,
    emissivity: settingsFor(document, frameId).emissivity.value,
    history: wallHistoryOf(document, frameId).history,
  };
}

/** What is known of the wall of a pair and of its work: what somebody said of it, else what its surface says. */
export function knownOf(
  earlier: VisitDocument,
  { beforeFrameId, wall, work }: Pick<PairValue, 'beforeFrameId' | 'wall' | 'work'>,
): Known {
  const surface = earlier.rows.surface[earlier.rows.frame[beforeFrameId]?.value.surfaceId ?? '']?.value;
  return { wall: wall ?? (surface ? wallClassOf(surface) : 'unknown'), work };
}

/** How a surface is built, as far as heat in it goes. Ceilings and roofs hang on joists and rafters, whatever the walls are made of. */
function wallClassOf({ kind, mass }: Pick<SurfaceValue, 'kind' | 'mass'>): WallClass {
  if (kind === 'ceiling' || kind === 'roof') return 'light';
  return mass === 'brick' ? 'masonry' : mass;
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
  const [outerBefore, outerAfter] = [outerAirC(before), outerAirC(after)];
  const drive = (before.insideC - outerBefore) / (after.insideC - outerAfter);
  return after.surface.values.map((value) => outerBefore + (value - outerAfter) * drive);
}
