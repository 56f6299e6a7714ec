import type { VisitDocument } from '../../model/document';
import { INSTRUMENT_U } from '../../ground/instruments';
import { heatingOf } from './heatingOf';
import type { Emitter } from './emitters';
import type { JudgedFace } from './faces';
import type { TailValues } from './tails';

/** What is odd about a reading; it is said and never silently used. */
export type Doubt = 'ends-swapped' | 'below-noise' | 'shut-and-warm' | 'bright-metal' | 'before-wait';

export const DOUBT_WORDS: Record<Doubt, string> = {
  'ends-swapped': 'The return reads hotter than the flow. Are its ends exchanged? It is counted the other way round.',
  'below-noise': 'The drop is smaller than its uncertainty: nearly all water passes here, or both boxes lie on one pipe.',
  'shut-and-warm': 'Its lockshield is shut and yet its return is warm: it lets by, or was counted from another end.',
  'bright-metal': 'The flow tail reads well below the face that it feeds: bright metal shows the room. Tape it and read again.',
  'before-wait': 'Read before the wait was over: it counts for little.',
};

const SWAPPED_K = 2;
/** A tail that reads so much less of the excess than the hottest of its face is no painted pipe. */
const BRIGHT_SHARE = 0.8;
const WARM_K = 8;
/** Of a drop that was typed, K. */
const TYPED_U = Math.SQRT2 * INSTRUMENT_U.tailK;

/**
 * What is odd about the newest reading of an emitter.
 *
 * @param face - on the same frame; null for another or none
 */
export function doubtsOf(
  document: VisitDocument,
  emitter: Emitter,
  { flowC, returnC, dropU, at, roomC }: TailValues & { at: number; roomC: number },
  face: JudgedFace | null,
): Doubt[] {
  const { waitUntil } = heatingOf(document).value;
  const doubts: Doubt[] = [];
  if (returnC - flowC > SWAPPED_K) doubts.push('ends-swapped');
  else if (Math.abs(flowC - returnC) < 2 * (dropU ?? TYPED_U)) doubts.push('below-noise');
  if (emitter.turns === 0 && returnC - roomC > WARM_K) doubts.push('shut-and-warm');
  if (face && Math.max(flowC, returnC) - roomC < BRIGHT_SHARE * (hottestOf(face) - roomC)) doubts.push('bright-metal');
  if (waitUntil !== null && at < waitUntil) doubts.push('before-wait');
  return doubts;
}

function hottestOf({ zones }: JudgedFace): number {
  return Math.max(...zones.flat().filter((value) => !Number.isNaN(value)));
}
