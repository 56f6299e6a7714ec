import { CoreError } from '../../ground/errors';
import { cautionsFor, type Caution } from '../../method/frame/cautions';
import { type Metric, type ShapeSize, sizeOf } from '../../method/frame/metric';
import { maskOf, spansOfAll, type Span } from '../../method/frame/region';
import type { Reading } from '../../method/frame/reading';
import type { RadianceLine } from '../../method/radiometry/measurement';
import { ownRange, type OwnRange } from '../../method/scale/ownRange';
import { orderedScale, type Scale } from '../../method/scale/scale';
import { type ScaleAnchor, againstScaleFor, shadeFor, steadyScaleFor } from './colours';
import type { By } from '../../method/frame/reading';
import { type Meaning, meaningsFor } from './meanings';
import { type Comparison, compareRegions, leftOutOf, pixelsOf, readingOf, regionsOf } from './readings';
import { lineFor, settingsFor } from './settingsInForce';
import { sideOf } from './standing';
import { metricFor } from './sizes';
import { conditionsOf, visitRow } from './theVisit';
import type { FrameFacts, VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';

export interface RegionReading {
  row: Row<'region'>;
  /** Null with the reason when it cannot be read, or for what is not there to be read. */
  reading: Reading | null;
  problem: string | null;
  cautions: Caution[];
  /** Pixels of what lies beyond a mark. */
  spans: Span[] | undefined;
  /** Metres of a line or round an area, and square metres; null where nothing is known of sizes. */
  /** null where no sizes are known, and for what has none. */
  size: ShapeSize | null;
}

/** Everything that is shown of one frame: the same on the bench, in an exported picture and wherever else it is seen. */
export interface FrameView {
  id: string;
  facts: FrameFacts;
  row: Row<'frame'>;
  values: Float32Array;
  line: RadianceLine;
  anchor: ScaleAnchor;
  steady: Scale;
  against: Scale;
  own: Scale;
  /** What colours of the frame by itself leave out; null when somebody set their ends. */
  ownRange: OwnRange | null;
  meanings: Meaning[];
  metric: Metric | null;
  leftOut: Span[];
  /** 1 for each pixel that was left out; null for none. */
  leftOutMask: Uint8Array | null;
  regions: RegionReading[];
  referenceId: string | null;
}

/** The range of a frame by itself, without what is left out by hand, hot objects and sky. */
export function freshRange(document: VisitDocument, frameId: string, values: Float32Array): OwnRange {
  const { width, height } = document.frameFacts[frameId]!;
  const outside = sideOf(document, frameId) === 'outside';
  const air = conditionsOf(document)?.value.outsideC ?? null;
  const mask = maskOf(leftOutOf(document, frameId), width, height);
  return ownRange(values, lineFor(document, frameId), mask, outside ? air : null);
}

function readSafely(document: VisitDocument, row: Row<'region'>, values: Float32Array, metric: Metric | null): RegionReading {
  const { frameId, shape, role } = row.value;
  const size = metric && shape.kind !== 'beyond' && shape.kind !== 'spot' ? sizeOf(metric, shape) : null;
  const base = { row, size, cautions: [], spans: undefined };
  if (role !== 'reading') return { ...base, reading: null, problem: null };
  try {
    const reading = readingOf(document, row.id, values);
    const settings = settingsFor(document, frameId, row.id);
    const { width, height } = document.frameFacts[frameId]!;
    const cautions = cautionsFor({
      shape,
      reading,
      frame: { width, height },
      leftOut: leftOutOf(document, frameId),
      metric,
      emissivity: settings.emissivity.value,
      palm: settings.palm.value,
    });
    const spans = shape.kind === 'beyond' ? pixelsOf(document, row.id, values) : undefined;
    return { ...base, reading, problem: null, cautions, spans };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { ...base, reading: null, problem: `${error.message} ${error.hint}` };
  }
}

/** The colours of a frame by itself: between the ends that somebody set, else those of its own range. */
export function ownColours(document: VisitDocument, frameId: string, values: Float32Array, anchor: ScaleAnchor) {
  const { ownScale } = document.rows.frame[frameId]!.value;
  const fresh = ownScale ? null : freshRange(document, frameId, values);
  const { low, high } = ownScale ?? fresh!;
  const scale = {
    ...orderedScale(low, high, visitRow(document).value.span.colourMap),
    shade: shadeFor(document, frameId, anchor),
  };
  return { scale, fresh };
}

/**
 * What follows from the document for one frame.
 *
 * @param values - its stored values
 * @param anchor - what its steady colours are centred on; see `anchorFor`
 */
export function frameView(document: VisitDocument, frameId: string, values: Float32Array, anchor: ScaleAnchor): FrameView {
  const row = document.rows.frame[frameId]!;
  const facts = document.frameFacts[frameId]!;
  const metric = metricFor(document, frameId);
  const shapes = leftOutOf(document, frameId);
  const own = ownColours(document, frameId, values, anchor);
  const regions = regionsOf(document, frameId).map((region) => readSafely(document, region, values, metric));
  return {
    id: frameId,
    facts,
    row,
    values,
    line: lineFor(document, frameId),
    anchor,
    steady: steadyScaleFor(document, frameId, anchor),
    against: againstScaleFor(document, frameId, anchor),
    own: own.scale,
    ownRange: own.fresh,
    meanings: meaningsFor(document, frameId),
    metric,
    leftOut: spansOfAll(shapes, facts.width, facts.height),
    leftOutMask: maskOf(shapes, facts.width, facts.height),
    regions,
    referenceId: regions.find(({ row: region }) => region.id === row.value.referenceId)?.row.id ?? null,
  };
}

/**
 * This region against another: the one that was chosen for it, which may lie on another frame, or the frame's reference.
 *
 * @returns null when there is nothing to compare, or the other frame is still on its way
 */
export function comparisonFor(
  document: VisitDocument,
  frame: FrameView,
  regionId: string | null,
  againstId: string | null,
  pixels: (id: string) => Float32Array | undefined,
  by: By = 'mean',
): Comparison | null {
  const that = document.rows.region[againstId ?? '']?.id ?? frame.referenceId;
  const one = frame.regions.find(({ row }) => row.id === regionId);
  if (!one || !that || that === regionId || one.row.value.role !== 'reading') return null;
  const otherValues = pixels(document.rows.region[that]!.value.frameId);
  if (!otherValues) return null;
  try {
    return compareRegions(document, one.row.id, that, frame.values, otherValues, by);
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return null;
  }
}
