import { normalFrom, seededRandom } from '../../../ground/random';
import { steadyOfDraws, type FittedCircuit } from './fit';
import type { Sorted } from './readings';
import type { BalanceEmitter, BalanceState } from './state';

/** What may be with the valves at some turns. */
export interface Chances {
  /** Of each emitter to be in tolerance and heated. */
  on: Float64Array;
  mean: Float64Array;
  spread: Float64Array;
  /** Of being above the target's tolerance. */
  above: Float64Array;
  /** Of each draw: which emitters are out. */
  out: boolean[][];
}

const SEED = 20_261_201;
/** A head that was left on takes some of the flow as its room becomes warm: so much more is tolerated there, K. */
const HEAD_K = 0.5;

/** How far from the target an emitter may be, K. */
export const tolerated = ({ toleranceK }: BalanceState, { headOn }: BalanceEmitter) => toleranceK + (headOn ? HEAD_K : 0);

/** Counts over drawn circuits what each emitter does with the valves at these turns. */
export function chancesAt(
  state: BalanceState,
  fitted: FittedCircuit,
  draws: readonly Float64Array[],
  sorted: Sorted,
  turns: Float64Array,
): Chances {
  const { n } = fitted.circuit;
  const { targetK } = state;
  const slack = sorted.emitters.map((emitter) => tolerated(state, emitter));
  const zeros = () => new Float64Array(n);
  const [on, above, mean, square, count, spread] = [zeros(), zeros(), zeros(), zeros(), zeros(), zeros()];
  const out: boolean[][] = [];
  const { own } = fitted;
  const normal = normalFrom(seededRandom(SEED));
  for (const { drops, heated } of steadyOfDraws(fitted, draws, sorted, turns)) {
    const off = new Array<boolean>(n);
    for (let i = 0; i < n; i += 1) {
      const drop = drops[i]! + own.mean[i]! + own.u[i]! * normal();
      const good = heated[i]! && Math.abs(drop - targetK) <= slack[i]!;
      off[i] = !good;
      on[i]! += good ? 1 : 0;
      above[i]! += drop > targetK + slack[i]! ? 1 : 0;
      if (Number.isNaN(drop)) continue;
      mean[i]! += drop;
      square[i]! += drop * drop;
      count[i]! += 1;
    }
    out.push(off);
  }
  for (let i = 0; i < n; i += 1) {
    on[i]! /= draws.length;
    above[i]! /= draws.length;
    mean[i]! /= count[i]!;
    spread[i] = Math.sqrt(Math.max(0, square[i]! / count[i]! - mean[i]! ** 2));
  }
  return { on, mean, spread, above, out };
}
