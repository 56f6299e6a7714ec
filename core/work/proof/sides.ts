import type { Look } from '../../method/compare/change';
import type { VisitDocument } from '../../model/document';
import { remembered } from '../../ground/derived';
import { partsOfFrame } from '../visit/settingsInForce';
import { conditionsOf } from '../visit/theVisit';
import { surfaceFor } from '../visit/surface';
import { lookFor } from './looks';
import type { PairValue } from '../../model/pairRow';

/** Both frames of a pair as they are compared. */
export interface Sides {
  before: Look['surface'];
  after: Look['surface'];
  /** Null while the air of a visit is not known. */
  looks: readonly [Look, Look] | null;
}

const once = remembered<Sides>();

/**
 * Both frames of a pair under their settings; the same for as long as nothing that they follow from changed.
 *
 * @param values - of the earlier and of the later frame
 */
export function sidesOf(
  earlier: VisitDocument,
  document: VisitDocument,
  { beforeFrameId, afterFrameId }: Pick<PairValue, 'beforeFrameId' | 'afterFrameId'>,
  values: readonly [Float32Array, Float32Array],
): Sides {
  const parts = [
    ...values,
    ...partsOfFrame(earlier, beforeFrameId),
    ...partsOfFrame(document, afterFrameId),
    conditionsOf(earlier)?.value,
    conditionsOf(document)?.value,
  ];
  return once(values[1], parts, () => {
    const before = lookFor(earlier, beforeFrameId, values[0]);
    const after = lookFor(document, afterFrameId, values[1]);
    return {
      before: before?.surface ?? surfaceFor(earlier, beforeFrameId, values[0]),
      after: after?.surface ?? surfaceFor(document, afterFrameId, values[1]),
      looks: before && after ? [before, after] : null,
    };
  });
}
