import { steadyOfDraws, type FittedCircuit } from './fit';
import { isClosed, type Sorted } from './readings';
import { USUAL_ROOM_C } from './circuit';

/** Tails are taped where what they read off moves the drop by this share of what is tolerated (k = 1). */
const TELLS = 0.25;

/**
 * Whose tails are to be taped: those whose reading off the mark leaves open whether the drop is in tolerance. It is the same on
 * every walk, so that reading them again tells nothing.
 *
 * @returns places of the emitters
 */
export function toTape(
  fitted: FittedCircuit,
  draws: readonly Float64Array[],
  sorted: Sorted,
  here: Float64Array,
  toleratedK: readonly number[],
): number[] {
  const { tails } = fitted.circuit.at;
  if (!tails || sorted.walks === 0) return [];
  const steady = steadyOfDraws(fitted, draws, sorted, here);
  return sorted.emitters.flatMap(({ tail }, i) => {
    if (tail === null || tail === 'taped' || isClosed(sorted, i)) return [];
    const room = Number.isNaN(sorted.roomC[i]!) ? USUAL_ROOM_C : sorted.roomC[i]!;
    const pairs = draws.flatMap((draw, k) => {
      const drop = steady[k]!.drops[i]!;
      if (Number.isNaN(drop)) return [];
      const hot = Math.max(0, draw[fitted.circuit.at.source]! - room);
      return [{ drop, off: draw[tails.flow(i)]! * hot - draw[tails.back(i)]! * Math.max(0, hot - drop) }];
    });
    return byTails(pairs) > TELLS * toleratedK[i]! ? [i] : [];
  });
}

/** How much of the spread of drops goes with what tails read off, K. */
function byTails(pairs: readonly { drop: number; off: number }[]): number {
  const n = pairs.length;
  if (n < 2) return 0;
  const [drop, off] = [pairs.reduce((sum, one) => sum + one.drop, 0) / n, pairs.reduce((sum, one) => sum + one.off, 0) / n];
  const both = pairs.reduce((sum, one) => sum + (one.drop - drop) * (one.off - off), 0);
  const square = pairs.reduce((sum, one) => sum + (one.off - off) ** 2, 0);
  return square === 0 ? 0 : Math.abs(both) / Math.sqrt(square * n);
}
