import { meanExcess, outputW, steadyDrop } from './output';

/** Water at 60 °C: kg in a litre, and J/(kg·K). */
const KG_LITRE = 0.983;
const WATER_J_KGK = 4186;

export interface HeatGiven {
  /** By rated output and mean excess, W; null where the emitter gets no water. */
  nowW: number | null;
  /** That its water carries, l/min, so that its drop fits. */
  litresMin: number | null;
}

/**
 * What an emitter gives now, and with how much water.
 *
 * @param ratedW - at 50 K, W; @param flowC, returnC - of its tails; @param roomC - air around it
 */
export function heatGiven(ratedW: number, exponent: number, flowC: number, returnC: number, roomC: number): HeatGiven {
  const [flow, back] = [flowC - roomC, returnC - roomC];
  if (flow <= 0 || back <= 0 || flow <= back) return { nowW: null, litresMin: null };
  const nowW = outputW(ratedW, exponent, flow, back);
  return { nowW, litresMin: (60 * nowW) / (WATER_J_KGK * KG_LITRE * (flow - back)) };
}

/**
 * What it gives with the same water at another flow temperature, W.
 *
 * @param litresMin - above 0
 */
export function givenAt(ratedW: number, exponent: number, litresMin: number, flowC: number, roomC: number): number {
  const flow = flowC - roomC;
  if (flow <= 0) return 0;
  const drop = steadyDrop((litresMin / 60) * KG_LITRE * WATER_J_KGK, ratedW, exponent, flow);
  return outputW(ratedW, exponent, flow, flow - drop);
}

/** Nothing is heated hotter than this, °C. */
const MOST_FLOW_C = 90;

/**
 * The lowest flow temperature that gives a room what it needs at a target drop, °C.
 *
 * @returns null where even 90 °C would not do
 */
export function flowThatWouldDo(ratedW: number, exponent: number, needW: number, dropK: number, roomC: number): number | null {
  const gives = (flowC: number) => {
    const flow = flowC - roomC;
    return meanExcess(flow, flow - dropK) > 0 ? outputW(ratedW, exponent, flow, flow - dropK) : 0;
  };
  if (gives(MOST_FLOW_C) < needW) return null;
  let [low, high] = [roomC, MOST_FLOW_C];
  for (let k = 0; k < 50; k += 1) {
    const middle = (low + high) / 2;
    if (gives(middle) < needW) low = middle;
    else high = middle;
  }
  return high;
}
