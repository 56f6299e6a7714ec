import type { VisitDocument } from '../../model/document';
import { losesHeat } from '../../model/houseKinds';
import type { WetWall } from './wet';

/** What a frame's surface belongs to as far as moisture goes; an outer wall, which claims least, while nobody knows. */
export function wetWallOf({ rows }: VisitDocument, frameId: string): WetWall {
  const surface = rows.surface[rows.frame[frameId]?.value.surfaceId ?? '']?.value;
  if (!surface) return 'outer';
  if (surface.kind === 'floor') return 'floor';
  return losesHeat(surface.behind) ? 'outer' : 'inner';
}
