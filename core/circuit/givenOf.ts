import type { VisitDocument } from '../document';
import { flowThatWouldDo, givenAt, heatGiven } from '../heating/given';
import { lastTails } from './balance';
import { emittersOf, type Emitter } from './emitters';
import { heatingOf, roomAirOf } from './heatingOf';
import type { Pixels } from './tails';

/** What an emitter gives, beside what its room needs. W, l/min, °C. */
export interface Given {
  emitter: Emitter;
  nowW: number | null;
  litresMin: number | null;
  /** With the same water at the set flow temperature. */
  atSetW: number | null;
  needW: number | null;
  /** Lowest flow temperature that would do at the target drop; null where even 90 °C would not. */
  wouldDoC: number | null;
}

/** Heat given by every emitter, by its newest reading. */
export function givenOf(document: VisitDocument, pixels: Pixels): Given[] {
  const { flowSetC, targetK } = heatingOf(document).value;
  return emittersOf(document).map((emitter) => {
    const { ratedW } = emitter;
    const { exponent, needW } = emitter.row.value;
    const tails = lastTails(document, emitter.id, pixels);
    const roomC = tails?.row.value.roomC ?? roomAirOf(document, emitter.id);
    const { nowW, litresMin } =
      ratedW !== null && tails
        ? heatGiven(ratedW, exponent, Math.max(tails.flowC, tails.returnC), Math.min(tails.flowC, tails.returnC), roomC)
        : { nowW: null, litresMin: null };
    return {
      emitter,
      nowW,
      litresMin,
      atSetW: ratedW !== null && litresMin !== null ? givenAt(ratedW, exponent, litresMin, flowSetC, roomC) : null,
      needW,
      wouldDoC: ratedW !== null && needW !== null ? flowThatWouldDo(ratedW, exponent, needW, targetK, roomC) : null,
    };
  });
}

/** The flow temperature at which every room with a known need gets it, °C; null where none is known or none would do. */
export function flowForAll(given: readonly Given[]): number | null {
  const known = given.filter(({ needW, emitter }) => needW !== null && emitter.ratedW !== null);
  if (known.length === 0 || known.some(({ wouldDoC }) => wouldDoC === null)) return null;
  return Math.max(...known.map(({ wouldDoC }) => wouldDoC!));
}
