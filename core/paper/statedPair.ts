import type { By } from '../method/frame/reading';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { BY_WORDS } from '../work/visit/byWords';
import { anchorFor } from '../work/visit/colours';
import { moistureOf } from '../work/visit/moisture';
import { moistureWords } from '../work/visit/moistureWords';
import { type Comparison, compareRegions } from '../work/visit/readings';
import { sameHour, sameHourWords } from '../work/visit/sameHour';
import type { VisitDocument } from '../model/document';
import type { Fact } from './fact';
import { figureOf, type Figure } from './figure';
import { placeOfFrame } from './places';

export interface StatedRegion {
  name: string;
  mean: string;
  plusMinus: string;
  range: string;
  pixels: number;
}

export interface StatedDifference {
  value: string;
  plusMinus: string;
  sign: 'colder' | 'warmer' | 'level';
  words: string;
}

/** This against that, as a report states it. */
export interface StatedPair {
  this: StatedRegion;
  that: StatedRegion;
  difference: StatedDifference;
  /** What is stated against what. */
  heading: string;
  /** Said when the second region lies on another frame. */
  across: string | null;
  /** Both as temperature factors; null where they are no parts of the envelope seen from inside, or the air is not known. */
  hour: string | null;
  /** What the first region's temperature means for moisture; empty outdoors. */
  moisture: Fact[];
  figure: Figure;
  comparison: Comparison;
}

export interface Pair {
  frameId: string;
  thisRegionId: string;
  thatRegionId: string;
  by: By;
}

/**
 * Two regions and their difference in words.
 *
 * @returns null while pixels are on their way
 * @throws CoreError where the regions cannot be read under their settings
 */
export function statedPair(
  document: VisitDocument,
  { frameId, thisRegionId, thatRegionId, by }: Pair,
  pixels: (frameId: string) => Float32Array | undefined,
  unit: DisplayUnit,
): StatedPair | null {
  const values = pixels(frameId);
  const otherFrameId = document.rows.region[thatRegionId]!.value.frameId;
  const otherValues = pixels(otherFrameId);
  const anchor = anchorFor(document, frameId, pixels);
  if (!values || !otherValues || !anchor) return null;
  const comparison = compareRegions(document, thisRegionId, thatRegionId, values, otherValues, by);
  const { value, uncertainty, significant } = comparison.difference;
  const sign = !significant ? 'level' : value < 0 ? 'colder' : 'warmer';
  const state = (regionId: string, reading: Comparison['this']): StatedRegion => ({
    name: document.rows.region[regionId]!.value.name,
    mean: format.temperature(reading.statistics.mean, unit),
    plusMinus: format.spread(reading.statistics.mean, reading.uncertainty, unit),
    range: `${format.bareTemperature(reading.statistics.min, unit)} … ${format.temperature(reading.statistics.max, unit)}`,
    pixels: reading.statistics.count,
  });
  const stated = { this: state(thisRegionId, comparison.this), that: state(thatRegionId, comparison.that) };
  const subject = `${by === 'mean' ? '' : `The ${BY_WORDS[by]}`}“${stated.this.name}”`;
  const hour = sameHour(document, thisRegionId, thatRegionId, comparison);
  const moisture = moistureOf(document, frameId, comparison.this);
  return {
    ...stated,
    comparison,
    heading: `${BY_WORDS[by]}${stated.this.name} against ${stated.that.name}`,
    difference: {
      value: format.signedDifference(value, unit),
      plusMinus: format.spread(value, uncertainty, unit),
      sign,
      words: {
        colder: `${subject} is colder than “${stated.that.name}”, outside the noise.`,
        warmer: `${subject} is warmer than “${stated.that.name}”, outside the noise.`,
        level: 'The difference lies within the noise: this frame does not show that the two differ.',
      }[sign],
    },
    across: comparison.acrossFrames
      ? `“${stated.that.name}” lies on another frame, ${placeOfFrame(document, otherFrameId)}: the uncertainty holds what the camera changes from frame to frame.`
      : null,
    hour: hour && sameHourWords(hour),
    moisture: moisture ? moistureWords(moisture) : [],
    figure: figureOf(document, frameId, anchor, values, unit, [
      { id: thisRegionId, mean: comparison.this.statistics.mean, reference: false },
      ...(comparison.acrossFrames ? [] : [{ id: thatRegionId, mean: comparison.that.statistics.mean, reference: true }]),
    ]),
  };
}
