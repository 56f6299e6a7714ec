/** Mean excess over the room at which emitters are rated, K (EN 442). */
const RATED_EXCESS_K = 50;

/**
 * Logarithmic mean excess of an emitter over its room, K.
 *
 * @param flow, back - excess of flow and return over the room, K, both above 0
 */
export function meanExcess(flow: number, back: number): number {
  if (back <= 0 || flow <= 0) return 0;
  const ratio = flow / back;
  // Near one the quotient loses its digits; its series does not.
  return Math.abs(ratio - 1) < 1e-4 ? (flow + back) / 2 : (flow - back) / Math.log(ratio);
}

/** Heat given by an emitter, W: rated output times (mean excess / 50 K) to its exponent (EN 442). */
export function outputW(ratedW: number, exponent: number, flow: number, back: number): number {
  return ratedW * (meanExcess(flow, back) / RATED_EXCESS_K) ** exponent;
}

/**
 * Steady drop from flow to return of an emitter.
 *
 * @param capacity - heat that its water carries per kelvin: mass flow times specific heat, W/K, 0 or more
 * @param flow - excess of its flow over the room, K, above 0
 * @returns K, 0 … flow; without water it is as cold as the room
 *
 * Solves capacity × drop = output by Newton's rule within halved bounds; exact within 1e-9 of the flow's excess.
 */
export function steadyDrop(capacity: number, ratedW: number, exponent: number, flow: number): number {
  if (capacity <= 0) return flow;
  // The balance rises with the drop: more is carried, less is given.
  let [low, high] = [0, flow];
  let drop = Math.min(0.9 * flow, (ratedW * (flow / RATED_EXCESS_K) ** exponent) / capacity / 1.3);
  for (let k = 0; k < 100; k += 1) {
    const given = outputW(ratedW, exponent, flow, flow - drop);
    const off = capacity * drop - given;
    if (off > 0) high = drop;
    else low = drop;
    const back = flow - drop;
    const mean = meanExcess(flow, back);
    const log = Math.log(flow / back);
    // d mean / d back of (flow − back) / ln(flow / back); a half where both are alike.
    const slope = log > 1e-4 ? (drop / back - log) / log ** 2 : 0.5;
    const next = drop - off / (capacity + (exponent * given * slope) / mean);
    const step = next > low && next < high ? next : (low + high) / 2;
    if (Math.abs(step - drop) < 1e-11 * flow) return step;
    drop = step;
  }
  return drop;
}
