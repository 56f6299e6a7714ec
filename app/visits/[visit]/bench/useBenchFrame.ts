'use client';

import { useMemo } from 'react';
import { CoreError } from '@core/errors';
import { extremesOf } from '@core/frame/extremes';
import type { Reading } from '@core/frame/reading';
import { radianceLine, throughLine, type RadianceLine } from '@core/radiometry/measurement';
import { radiometricSettings } from '@core/radiometry/settings';
import { temperatureHistogram } from '@core/scale/histogram';
import { orderedScale, type Scale } from '@core/scale/scale';
import {
  anchorFor,
  compareRegions,
  meaningsFor,
  readingOf,
  regionsOf,
  settingsFor,
  steadyScaleFor,
  visitRow,
  type Comparison,
  type Meaning,
  type ScaleAnchor,
} from '@core/visit/derive';
import type { FrameFacts, VisitDocument } from '@core/visit/document';
import type { Row } from '@core/visit/rows';

export interface RegionReading {
  row: Row<'region'>;
  /** Null with the reason when it cannot be read. */
  reading: Reading | null;
  problem: string | null;
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
  own: Scale;
  meanings: Meaning[];
  regions: RegionReading[];
  referenceId: string | null;
}

/** Colours that show a frame by itself leave out this share of the pixels at each end. */
const TRIM = 0.004;
const BINS = 400;

/** The ends between which all but a few pixels of a frame lie, °C of the object. */
export function ownRange(values: Float32Array, line: RadianceLine): { low: number; high: number } {
  const extremes = extremesOf(values);
  if (!extremes) return { low: 0, high: 1 };
  const low = throughLine(extremes.min, line);
  const high = throughLine(extremes.max, line);
  if (!(high > low)) return { low: extremes.min - 0.5, high: extremes.max + 0.5 };
  const counts = temperatureHistogram(values, line, low, high, BINS);
  const least = TRIM * extremes.count;
  const step = (high - low) / BINS;
  let from = 0;
  for (let seen = counts[0]!; seen < least && from < BINS - 1;) seen += counts[(from += 1)]!;
  let to = BINS - 1;
  for (let seen = counts[to]!; seen < least && to > from;) seen += counts[(to -= 1)]!;
  return { low: low + from * step, high: low + (to + 1) * step };
}

function readSafely(document: VisitDocument, row: Row<'region'>, values: Float32Array): RegionReading {
  try {
    return { row, reading: readingOf(document, row.id, values), problem: null };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { row, reading: null, problem: `${error.message} ${error.hint}` };
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
    const line = radianceLine(facts.basis, radiometricSettings(settingsFor(document, row.id)));
    const map = visitRow(document).value.span.colourMap;
    const { low, high } = row.value.ownScale ?? ownRange(values, line);
    const regions = regionsOf(document, row.id).map((region) => readSafely(document, region, values));
    const referenceId = regions.find(({ row: region }) => region.id === row.value.referenceId)?.row.id ?? null;
    return {
      id: row.id,
      facts,
      row,
      values,
      line,
      anchor,
      steady: steadyScaleFor(document, anchor),
      own: orderedScale(low, high, map),
      meanings: meaningsFor(document, row.id),
      regions,
      referenceId,
    };
    // The anchor is made anew each time; its temperature is what matters.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [document, row, values, anchorCelsius]);
}

/** This region against the frame's reference; null when there is nothing to compare. */
export function comparisonFor(document: VisitDocument, frame: BenchFrame, regionId: string | null): Comparison | null {
  if (!regionId || !frame.referenceId || regionId === frame.referenceId) return null;
  try {
    return compareRegions(document, regionId, frame.referenceId, frame.values);
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return null;
  }
}
