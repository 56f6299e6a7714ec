import { alignmentAt, plainAlignment, type Alignment } from '../../method/frame/alignment';
import { cameraOfFrame, photosOf } from './frames';
import { settingsFor } from './settingsInForce';
import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';

/** The photo that lies over a frame: the one of the whole view first. */
export function photoOf(document: VisitDocument, frameId: string): Row<'photo'> | null {
  const own = photosOf(document).filter(({ value }) => value.frameId === frameId && !value.evidence);
  return own.find(({ value }) => value.role === 'view') ?? own[0] ?? null;
}

export interface PhotoPlace {
  alignment: Alignment;
  /** Where it comes from: matched on this pair, the camera at this distance, or nothing better than middle on middle. */
  source: 'pair' | 'camera' | 'plain';
}

/** How a photo lies over its frame. */
export function photoPlace(document: VisitDocument, frameId: string, photo: Row<'photo'>): PhotoPlace {
  if (photo.value.alignment) return { alignment: photo.value.alignment, source: 'pair' };
  const stored = alignmentAt(cameraOfFrame(document, frameId)?.alignments ?? [], settingsFor(document, frameId).distanceM.value);
  if (stored) return { alignment: stored, source: 'camera' };
  const { width, height } = document.frameFacts[frameId]!;
  return { alignment: plainAlignment({ width, height }, document.photoFacts[photo.id]!), source: 'plain' };
}
