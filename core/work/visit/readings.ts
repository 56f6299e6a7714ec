import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { CoreError } from '../../ground/errors';
import {
  type By,
  type Difference,
  type Measured,
  type Reading,
  differenceOf,
  readRegion,
  regionSpans,
} from '../../method/frame/reading';
import type { Shape, Span } from '../../method/frame/region';
import { radianceLine } from '../../method/radiometry/measurement';
import { radiometricSettings } from '../../method/radiometry/settings';
import { groupsOf } from '../../ground/groups';
import { cameraErrorsFor, settingsFor, uncertainSettingsFor } from './settingsInForce';

const byFrame = groupsOf<Row<'region'>>(({ value }) => value.frameId);

/** Regions by the frame that they were drawn on, in no particular order. */
export function regionsByFrame({ rows }: VisitDocument): ReadonlyMap<string, readonly Row<'region'>[]> {
  return byFrame(rows.region);
}

/** The regions of a frame, in the order in which they were drawn. */
export function regionsOf(document: VisitDocument, frameId: string): Row<'region'>[] {
  const own = regionsByFrame(document).get(frameId) ?? [];
  return own.toSorted((a, b) => a.value.ordinal - b.value.ordinal || (a.id < b.id ? -1 : 1));
}

/** Shapes that were left out of a frame by hand. */
export function leftOutOf(document: VisitDocument, frameId: string): Shape[] {
  return regionsOf(document, frameId)
    .filter(({ value }) => value.role === 'leftOut')
    .map(({ value }) => value.shape);
}

/** What is measured on a frame: its values as they are stored, what they are, and what was left out. */
export function measuredFrame(document: VisitDocument, frameId: string, values: Float32Array): Measured {
  const { width, height } = document.frameFacts[frameId]!;
  const { basis } = document.rows.frame[frameId]!.value;
  return { width, height, values, basis, leftOut: leftOutOf(document, frameId) };
}

/**
 * A region's reading under its settings.
 *
 * @param values - the frame's stored values
 * @throws CoreError as `readRegion`
 */
export function readingOf(document: VisitDocument, regionId: string, values: Float32Array): Reading {
  const region = document.rows.region[regionId];
  if (!region) throw new CoreError('not_found', 'The region is gone.', {}, 'Choose another region.');
  const { frameId, name, shape } = region.value;
  return readRegion(
    measuredFrame(document, frameId, values),
    { id: regionId, name, shape },
    uncertainSettingsFor(document, frameId, regionId),
    cameraErrorsFor(document, frameId),
  );
}

/**
 * The pixels of a region on its frame, row by row.
 *
 * @throws CoreError as `readRegion`
 */
export function pixelsOf(document: VisitDocument, regionId: string, values: Float32Array): Span[] {
  const { frameId, name, shape } = document.rows.region[regionId]!.value;
  const frame = measuredFrame(document, frameId, values);
  return regionSpans(
    frame,
    { name, shape },
    radianceLine(frame.basis, radiometricSettings(settingsFor(document, frameId, regionId))),
  );
}

export interface Comparison {
  this: Reading;
  that: Reading;
  difference: Difference;
  /** What stands for the first. */
  by: By;
  /** They lie in two frames: the camera's repeatability is in the uncertainty. */
  acrossFrames: boolean;
}

/**
 * This against that, in one frame or in two of the visit.
 *
 * @param values - stored values of the frame of the first region
 * @param otherValues - of the frame of the second, when it is another
 * @param by - what stands for the first
 */
export function compareRegions(
  document: VisitDocument,
  thisId: string,
  thatId: string,
  values: Float32Array,
  otherValues: Float32Array = values,
  by: By = 'mean',
): Comparison {
  const a = readingOf(document, thisId, values);
  const b = readingOf(document, thatId, otherValues);
  const [frameA, frameB] = [thisId, thatId].map((id) => document.rows.region[id]!.value.frameId) as [string, string];
  const difference = differenceOf(a, b, by);
  return { this: a, that: b, difference, by, acrossFrames: frameA !== frameB };
}
