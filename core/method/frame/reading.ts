import {
  apparentTemperature,
  correctValues,
  impossibleSettings,
  inverseLine,
  radianceLine,
  throughLine,
  type RadianceLine,
} from '../radiometry/measurement';
import { isSignificant, type Quantity, type Uncertainty, uncertaintyOf } from '../radiometry/quantity';
import { AS_SEEN, type RadiometricSettings } from '../../ground/radiometricSettings';
import {
  type CameraErrors,
  differenceQuantity,
  objectOf,
  seenBy,
  type SeenMean,
  settingsAt,
  type UncertainSettings,
} from '../radiometry/uncertainty';
import type { Frame } from './frame';
import { maskOf, requirePixels, spansBeyond, spansOf, type Shape, type Span } from './region';
import { populationsOf, type Populations } from './populations';
import { spillOf } from './spill';
import { regionStatistics, type RegionStatistics } from './statistics';

/** A region under settings: its statistics in °C of the object, and how sure its mean is. */
export interface Reading {
  statistics: RegionStatistics;
  /** The mean with everything that it depends on; what a difference to another reading needs. */
  mean: Quantity;
  /** What a pair may be stated by: the mean, or the coldest or warmest part of the region. */
  levels: Record<By, { celsius: number; quantity: Quantity }>;
  /** Of the mean, K. */
  uncertainty: Uncertainty;
  settings: UncertainSettings;
  /** Pixels that have a value but no physical solution under the settings. */
  lost: number;
  /** The two things that the region holds, when it holds two: its mean is then neither's. */
  populations: Populations | null;
}

/**
 * What stands for a region in a pair: its mean, or its 2nd or 98th percentile where a small part is what matters. Of a region of few
 * pixels it is the extreme.
 */
export const PAIR_BY = ['mean', 'coldest', 'warmest'] as const;
export type By = (typeof PAIR_BY)[number];
/** Share of the pixels beyond a percentile. */
const OUTER_SHARE = 0.02;

/** `value` is first minus second, K. */
export interface Difference {
  value: number;
  uncertainty: Uncertainty;
  significant: boolean;
}

/** What is measured: a frame's stored values, and what on it was left out by hand. */
export interface Measured extends Pick<Frame, 'width' | 'height' | 'values' | 'basis'> {
  leftOut?: readonly Shape[];
}

/**
 * The pixels of a region, row by row.
 *
 * @param line - from stored values to object temperatures, as the region's settings have it
 * @throws CoreError `bad_region` without a pixel in the frame
 */
export function regionSpans(frame: Measured, region: { name: string; shape: Shape }, line: RadianceLine): Span[] {
  const { width, height, values } = frame;
  const { name, shape } = region;
  const spans =
    shape.kind === 'beyond'
      ? spansBeyond(
          values,
          width,
          shape.side,
          throughLine(shape.markC, inverseLine(line)),
          maskOf(frame.leftOut ?? [], width, height),
        )
      : spansOf(shape, width, height);
  return requirePixels(name, shape, spans, width, height);
}

/** A region to be read: `id` names its errors, `name` is for people. */
export interface RegionToRead {
  id: string;
  name: string;
  shape: Shape;
}

/** Statistics of pixels through a line in radiance. @throws CoreError `impossible` when none has a reading left */
function statisticsThrough(frame: Measured, spans: readonly Span[], line: RadianceLine): RegionStatistics {
  const correct = (gathered: Float32Array) => void correctValues(gathered, line, gathered);
  const statistics = regionStatistics(frame.values, frame.width, spans, correct);
  if (!statistics) throw impossibleSettings();
  return statistics;
}

/**
 * The mean of a region as the camera saw it: emissivity 1, no air on the way.
 *
 * @throws CoreError `bad_region` without a pixel in the frame; `impossible` when no pixel has a reading
 */
export function seenIn(frame: Measured, region: RegionToRead, blur: number): SeenMean {
  const line = radianceLine(frame.basis, AS_SEEN);
  const spans = regionSpans(frame, region, line);
  const statistics = statisticsThrough(frame, spans, line);
  return {
    region: region.id,
    apparent: statistics.mean,
    std: statistics.std,
    count: statistics.count,
    spill: apparentSpill(frame, spans, line, blur),
  };
}

/** Spill in apparent temperatures, K. What a camera computed is straight enough within a small region. */
function apparentSpill(frame: Measured, spans: readonly Span[], line: RadianceLine, blur: number): number {
  const spill = spillOf(frame.values, frame.width, frame.height, spans, blur);
  if (spill === 0) return 0;
  const first = spans[0]!;
  const at = frame.values[first.y * frame.width + first.from]!;
  const slope = throughLine(at + 0.5, line) - throughLine(at - 0.5, line);
  return Number.isFinite(slope) ? spill * slope : spill;
}

/**
 * Reads a region of a frame.
 *
 * @throws CoreError `bad_region` without a pixel in the frame; `impossible` when no pixel has a reading left
 */
export function readRegion(frame: Measured, region: RegionToRead, settings: UncertainSettings, camera: CameraErrors): Reading {
  const numbers = settingsAt(settings);
  const line = radianceLine(frame.basis, numbers);
  const spans = regionSpans(frame, region, line);
  let lost = 0;
  let populations: Populations | null = null;
  const statistics = regionStatistics(frame.values, frame.width, spans, (gathered) => {
    lost = correctValues(gathered, line, gathered);
    if (region.shape.kind !== 'spot' && region.shape.kind !== 'line') populations = populationsOf(gathered, camera.noise);
  });
  if (!statistics) throw impossibleSettings();
  const spill = apparentSpill(frame, spans, radianceLine(frame.basis, AS_SEEN), camera.blur);
  const level = (celsius: number, count: number) => {
    const seen: SeenMean = { region: region.id, apparent: apparentTemperature(celsius, numbers), std: null, count, spill };
    return { celsius, quantity: objectOf(seenBy(seen, camera), settings) };
  };
  // A percentile rests on the pixels beyond it, however many the region has.
  const outer = Math.max(1, OUTER_SHARE * statistics.count);
  const levels = {
    mean: level(statistics.mean, statistics.count),
    coldest: level(statistics.percentiles?.low ?? statistics.min, outer),
    warmest: level(statistics.percentiles?.high ?? statistics.max, outer),
  };
  const mean = levels.mean.quantity;
  return { statistics, mean, levels, uncertainty: uncertaintyOf(mean), settings, lost, populations };
}

/**
 * The mean of a region under plain settings, °C: what it would be if they were others.
 *
 * @throws CoreError as `readRegion`
 */
export function meanUnder(frame: Measured, region: Omit<RegionToRead, 'id'>, settings: RadiometricSettings): number {
  const line = radianceLine(frame.basis, settings);
  return statisticsThrough(frame, regionSpans(frame, region, line), line).mean;
}

/**
 * The difference of two readings, first minus second, in one frame or in two: errors that both name are common to them.
 *
 * @param by - what stands for the first; the second is sound wall, and always its mean
 */
export function differenceOf(a: Reading, b: Reading, by: By = 'mean'): Difference {
  const { celsius, quantity } = a.levels[by];
  const uncertainty = uncertaintyOf(differenceQuantity(quantity, b.mean));
  return { value: celsius - b.statistics.mean, uncertainty, significant: isSignificant(uncertainty) };
}

/** The mean hides what a pair is about when a part lies so many times farther away, and by so much more, K. */
const HIDES = 1.8;
const HIDDEN_K = 1.5;

/** What a pair should be stated by: the mean, unless it hides a part that lies much farther from the reference. */
export function proposedBy(a: Reading, b: Reading): By {
  const from = (by: By) => a.levels[by].celsius - b.statistics.mean;
  const mean = Math.abs(from('mean'));
  const farther = Math.abs(from('coldest')) >= Math.abs(from('warmest')) ? 'coldest' : 'warmest';
  const far = Math.abs(from(farther));
  return far > HIDES * mean && far > mean + HIDDEN_K ? farther : 'mean';
}
