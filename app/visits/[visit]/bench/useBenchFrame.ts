'use client';

import { useMemo } from 'react';
import { CoreError } from '@core/errors';
import { cautionsFor, type Caution } from '@core/frame/cautions';
import { areaOf, lengthOf, type Metric } from '@core/frame/metric';
import { maskOf, spansOfAll, type Span } from '@core/frame/region';
import type { Reading } from '@core/frame/reading';
import type { RadianceLine } from '@core/radiometry/measurement';
import { ownRange, type OwnRange } from '@core/scale/ownRange';
import { orderedScale, type Scale } from '@core/scale/scale';
import { type ScaleAnchor, againstScaleFor, anchorFor, shadeFor, steadyScaleFor } from '@core/visit/colours';
import { type Meaning, meaningsFor } from '@core/visit/meanings';
import { type Comparison, compareRegions, leftOutOf, pixelsOf, readingOf, regionsOf } from '@core/visit/readings';
import { lineFor, settingsFor } from '@core/visit/settingsInForce';
import { metricFor } from '@core/visit/sizes';
import { conditionsOf, visitRow } from '@core/visit/theVisit';
import type { FrameFacts, VisitDocument } from '@core/document';
import type { Row } from '@core/entities';

export interface RegionReading {
  row: Row<'region'>;
  /** Null with the reason when it cannot be read, or for what is not there to be read. */
  reading: Reading | null;
  problem: string | null;
  cautions: Caution[];
  /** Pixels of what lies beyond a mark. */
  spans: Span[] | undefined;
  /** Metres of a line or round an area, and square metres; null where nothing is known of sizes. */
  size: { metres: number; squareMetres: number } | null;
}

/** Everything that follows from the document for one frame whose pixels are here. */
export interface BenchFrame {
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
  const outside = document.rows.frame[frameId]!.value.side === 'outside';
  const air = conditionsOf(document)?.value.outsideC ?? null;
  const mask = maskOf(leftOutOf(document, frameId), width, height);
  return ownRange(values, lineFor(document, frameId), mask, outside ? air : null);
}

function readSafely(document: VisitDocument, row: Row<'region'>, values: Float32Array, metric: Metric | null): RegionReading {
  const { frameId, shape, role } = row.value;
  const size =
    metric && shape.kind !== 'beyond' && shape.kind !== 'spot'
      ? { metres: lengthOf(metric, shape), squareMetres: areaOf(metric, shape) }
      : null;
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

/** @returns null while pixels are on their way */
export function useBenchFrame(
  document: VisitDocument,
  frameId: string | null,
  pixels: (id: string) => Float32Array | undefined,
): BenchFrame | null {
  const values = frameId === null ? undefined : pixels(frameId);
  const row = frameId === null ? undefined : document.rows.frame[frameId];
  const anchor = row ? anchorFor(document, row.id, pixels) : null;
  const anchorCelsius = anchor?.celsius;
  return useMemo(() => {
    if (!values || !row || !anchor) return null;
    const facts = document.frameFacts[row.id]!;
    if (values.length !== facts.width * facts.height) return null;
    const metric = metricFor(document, row.id);
    const shapes = leftOutOf(document, row.id);
    const fresh = row.value.ownScale ? null : freshRange(document, row.id, values);
    const { low, high } = row.value.ownScale ?? fresh!;
    const regions = regionsOf(document, row.id).map((region) => readSafely(document, region, values, metric));
    return {
      id: row.id,
      facts,
      row,
      values,
      line: lineFor(document, row.id),
      anchor,
      steady: steadyScaleFor(document, row.id, anchor),
      against: againstScaleFor(document, row.id, anchor),
      own: {
        ...orderedScale(low, high, visitRow(document).value.span.colourMap),
        shade: shadeFor(document, row.id, anchor),
      },
      ownRange: fresh,
      meanings: meaningsFor(document, row.id),
      metric,
      leftOut: spansOfAll(shapes, facts.width, facts.height),
      leftOutMask: maskOf(shapes, facts.width, facts.height),
      regions,
      referenceId: regions.find(({ row: region }) => region.id === row.value.referenceId)?.row.id ?? null,
    };
    // The anchor is made anew each time; its temperature is what matters.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [document, row, values, anchorCelsius]);
}

/**
 * This region against another: the one that was chosen for it, which may lie on another frame, or the frame's reference.
 *
 * @returns null when there is nothing to compare, or the other frame is still on its way
 */
export function comparisonFor(
  document: VisitDocument,
  frame: BenchFrame,
  regionId: string | null,
  againstId: string | null,
  pixels: (id: string) => Float32Array | undefined,
): Comparison | null {
  const that = document.rows.region[againstId ?? '']?.id ?? frame.referenceId;
  const one = frame.regions.find(({ row }) => row.id === regionId);
  if (!one || !that || that === regionId || one.row.value.role !== 'reading') return null;
  const otherValues = pixels(document.rows.region[that]!.value.frameId);
  if (!otherValues) return null;
  try {
    return compareRegions(document, one.row.id, that, frame.values, otherValues);
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return null;
  }
}
