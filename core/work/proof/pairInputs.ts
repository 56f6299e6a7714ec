import { CORE_VERSION } from '../../ground/version';
import type { VisitDocument } from '../../model/document';
import type { PairValue } from '../../model/pairRow';
import { lineFor } from '../visit/settingsInForce';
import { knownOf, lookFactsFor, placeOf } from './looks';
import { photosOfPair } from './photosOfPair';

/**
 * All that a pair's answer follows from, in words of one shape: the same words mean the same answer.
 *
 * @param document - the visit of the later frame
 */
export function pairInputs(
  document: VisitDocument,
  earlier: VisitDocument,
  pair: Pick<PairValue, 'beforeFrameId' | 'afterFrameId' | 'points' | 'regions' | 'wall' | 'work'>,
): string {
  const { beforeFrameId, afterFrameId, points, regions } = pair;
  const side = (visit: VisitDocument, frameId: string) => [
    visit.frameFacts[frameId]!.pixelsSha,
    lineFor(visit, frameId),
    lookFactsFor(visit, frameId),
  ];
  const photos = photosOfPair(earlier, document, pair)?.map(({ row, alignment }) => [
    row.id,
    row.value.quarters,
    row.value.mirrored,
    alignment,
  ]);
  const size = earlier.frameFacts[beforeFrameId]!;
  return JSON.stringify([
    CORE_VERSION,
    side(earlier, beforeFrameId),
    side(document, afterFrameId),
    points,
    regions.map((region) => placeOf(region, size)),
    knownOf(earlier, pair),
    photos ?? null,
  ]);
}
