import {
  apparentTemperature,
  correctValues,
  impossibleSettings,
  inverseLine,
  radianceLine,
  throughLine,
  type RadianceLine,
} from '../radiometry/measurement';
import { type RadiometricSettings } from '../radiometry/radiometricSettings';
import {
  differenceUncertainty,
  isSignificant,
  readingUncertainty,
  type MeanReading,
  type SharedInputs,
  type Uncertainty,
  type UncertaintySources,
} from '../radiometry/uncertainty';
import type { Frame } from './frame';
import { maskOf, requirePixels, spansBeyond, spansOf, type Shape, type Span } from './region';
import { populationsOf, type Populations } from './populations';
import { regionStatistics, type RegionStatistics } from './statistics';

/** A region under settings: its statistics in °C of the object, and how sure its mean is. */
export interface Reading {
  statistics: RegionStatistics;
  /** Of the mean; standard (k = 1), K. */
  uncertainty: Uncertainty;
  /** What the difference to another reading needs. */
  mean: MeanReading;
  /** Pixels that have a value but no physical solution under the settings. */
  lost: number;
  /** The two things that the region holds, when it holds two: its mean is then neither's. */
  populations: Populations | null;
}

/** `value` is first minus second, K; `uncertainty` is standard (k = 1). */
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

/**
 * Reads a region of a frame.
 *
 * @param noise - standard deviation of one pixel's noise, K (`estimateNoise`)
 * @throws CoreError `bad_region` without a pixel in the frame; `impossible` when no pixel has a reading left
 */
export function readRegion(
  frame: Measured,
  region: { name: string; shape: Shape },
  settings: RadiometricSettings,
  noise: number,
  sources: UncertaintySources,
): Reading {
  const line = radianceLine(frame.basis, settings);
  const spans = regionSpans(frame, region, line);
  let lost = 0;
  let populations: Populations | null = null;
  const statistics = regionStatistics(frame.values, frame.width, spans, (gathered) => {
    lost = correctValues(gathered, line, gathered);
    if (region.shape.kind !== 'spot' && region.shape.kind !== 'line') populations = populationsOf(gathered, noise);
  });
  if (!statistics) throw impossibleSettings();
  const mean: MeanReading = {
    apparent: apparentTemperature(statistics.mean, settings),
    object: statistics.mean,
    settings,
    noise,
    count: statistics.count,
  };
  return { statistics, uncertainty: readingUncertainty(mean, sources), mean, lost, populations };
}

/**
 * The difference of two readings, first minus second, in one frame or in two.
 *
 * @param otherSources - of the second, when they are not those of the first
 */
export function differenceOf(
  a: Reading,
  b: Reading,
  sources: UncertaintySources,
  shared: SharedInputs,
  otherSources: UncertaintySources = sources,
): Difference {
  const value = a.statistics.mean - b.statistics.mean;
  const uncertainty = differenceUncertainty(a.mean, b.mean, sources, shared, otherSources);
  return { value, uncertainty, significant: isSignificant(value, uncertainty.total) };
}
