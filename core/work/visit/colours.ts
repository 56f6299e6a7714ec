import type { VisitDocument } from '../../model/document';
import { CoreError } from '../../ground/errors';
import { type Scale, type Shade, againstScale, steadyScale } from '../../method/scale/scale';
import { meaningsFor } from './meanings';
import { readingOf, regionsByFrame } from './readings';
import { visitRow } from './theVisit';

/** What the steady scale of a frame is centred on, for people to read on every picture. */
export interface ScaleAnchor {
  celsius: number;
  /** The frame's own reference, the visit's on that side, or nothing better than the mean of the frame. */
  source: 'frame' | 'visit' | 'mean';
  /** Name of the reference region; null for a mean. */
  name: string | null;
  regionId: string | null;
}

/**
 * The reference that a frame's steady scale is centred on: its own, else the visit's for its side, else the frame's mean.
 *
 * @param pixels - stored values of a frame by its id, as far as they are at hand
 * @returns null while the pixels of the reference are still missing
 */
export function anchorFor(
  document: VisitDocument,
  frameId: string,
  pixels: (frameId: string) => Float32Array | undefined,
): ScaleAnchor | null {
  const { referenceId, side } = document.rows.frame[frameId]!.value;
  const visit = visitRow(document).value;
  const ofVisit = side === 'inside' ? visit.referenceInsideId : visit.referenceOutsideId;
  for (const [source, id] of [
    ['frame', referenceId],
    ['visit', ofVisit],
  ] as const) {
    const region = id === null ? undefined : document.rows.region[id];
    if (!region) continue;
    const values = pixels(region.value.frameId);
    if (!values) return null;
    try {
      return { celsius: meanOf(document, region.id, values), source, name: region.value.name, regionId: region.id };
    } catch (error) {
      // A reference that cannot be read under its settings cannot anchor colours; the next best does.
      if (!(error instanceof CoreError)) throw error;
    }
  }
  return { celsius: document.frameFacts[frameId]!.meanC, source: 'mean', name: null, regionId: null };
}

/** Means of reference regions by the pixels that they were read on: each colours every picture of a visit. */
const means = new WeakMap<Float32Array, Map<string, { parts: readonly unknown[]; celsius: number }>>();

/** @throws CoreError as `readingOf` */
function meanOf(document: VisitDocument, regionId: string, values: Float32Array): number {
  const { rows, frameFacts } = document;
  const { settings, conditions, log, camera, surface } = rows;
  const { frameId } = rows.region[regionId]!.value;
  // Its own frame's regions, of which some are left out.
  const regions = regionsByFrame(document).get(frameId);
  const parts = [regions, settings, conditions, log, camera, surface, rows.frame[frameId], frameFacts[frameId]];
  const ofPixels = means.get(values) ?? new Map<string, { parts: readonly unknown[]; celsius: number }>();
  const before = ofPixels.get(regionId);
  if (before && before.parts.every((part, i) => part === parts[i])) return before.celsius;
  const celsius = readingOf(document, regionId, values).statistics.mean;
  means.set(values, ofPixels.set(regionId, { parts, celsius }));
  return celsius;
}

/** The steady scale of a frame, with the visit's shade. */
export function steadyScaleFor(document: VisitDocument, frameId: string, anchor: ScaleAnchor): Scale {
  return { ...steadyScale(anchor.celsius, visitRow(document).value.span), shade: shadeFor(document, frameId, anchor) };
}

/** Colours of a frame that part at its reference. */
export function againstScaleFor(document: VisitDocument, frameId: string, anchor: ScaleAnchor): Scale {
  return { ...againstScale(anchor.celsius, visitRow(document).value.span), shade: shadeFor(document, frameId, anchor) };
}

/** What the visit shades, on this frame; null when nothing, or when what it is reckoned from is not known here. */
export function shadeFor(document: VisitDocument, frameId: string, anchor: ScaleAnchor): Shade | null {
  const rule = visitRow(document).value.span.shade;
  if (!rule) return null;
  const from =
    rule.from === 'zero'
      ? 0
      : rule.from === 'reference'
        ? anchor.celsius
        : meaningsFor(document, frameId).find(({ name }) => name === rule.from)?.celsius;
  return from === undefined ? null : { side: rule.side, celsius: from + rule.offsetK };
}
