import { apparentTemperature, correctValues, impossibleSettings, radianceLine } from '../radiometry/measurement';
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
import { requireSpans, type Shape } from './region';
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
}

/** `value` is first minus second, K; `uncertainty` is standard (k = 1). */
export interface Difference {
  value: number;
  uncertainty: Uncertainty;
  significant: boolean;
}

/**
 * Reads a region of a frame.
 *
 * @param noise - standard deviation of one pixel's noise, K (`estimateNoise`)
 * @throws CoreError `bad_region` without a pixel in the frame; `impossible` when no pixel has a reading left
 */
export function readRegion(
  frame: Pick<Frame, 'width' | 'height' | 'values' | 'basis'>,
  region: { name: string; shape: Shape },
  settings: RadiometricSettings,
  noise: number,
  sources: UncertaintySources,
): Reading {
  const spans = requireSpans(region.name, region.shape, frame.width, frame.height);
  const line = radianceLine(frame.basis, settings);
  let lost = 0;
  const statistics = regionStatistics(frame.values, frame.width, spans, (gathered) => {
    lost = correctValues(gathered, line, gathered);
  });
  if (!statistics) throw impossibleSettings();
  const mean: MeanReading = {
    apparent: apparentTemperature(statistics.mean, settings),
    object: statistics.mean,
    settings,
    noise,
    count: statistics.count,
  };
  return { statistics, uncertainty: readingUncertainty(mean, sources), mean, lost };
}

/** The difference of two readings of one frame, first minus second. */
export function differenceOf(a: Reading, b: Reading, sources: UncertaintySources, shared: SharedInputs): Difference {
  const value = a.statistics.mean - b.statistics.mean;
  const uncertainty = differenceUncertainty(a.mean, b.mean, sources, shared);
  return { value, uncertainty, significant: isSignificant(value, uncertainty.total) };
}
