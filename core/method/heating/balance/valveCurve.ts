/** A lockshield: what is not known of it. */
export interface Lockshield {
  /** Turns in which nothing opens. */
  dead: number;
  /** 0: opens as x to the power of 0.85; 1: each turn by the same factor, twenty over all; between and beyond, a blend of both. */
  shape: number;
  turnsOpen: number;
}

const POWER = 0.85;
const RATIO = 20;
/** A valve leaves its dead part over this share of its way: no step, so that a fit finds its way. */
const ROUNDED = 0.012;

/**
 * Logarithm of a valve's conductance over that of the open valve; −∞ does not occur: what is shut lets a trace by.
 *
 * @param turns - from shut, 0 … turnsOpen
 */
export function logOpening({ dead, shape, turnsOpen }: Lockshield, turns: number): number {
  const linear = (turns - dead) / Math.max(0.5, turnsOpen - dead);
  const x = Math.min(1, rounded(linear));
  return (1 - shape) * POWER * Math.log(x) + shape * Math.log((RATIO ** x - 1) / (RATIO - 1));
}

/** Softplus: its argument where that is well above zero, and never quite zero. */
function rounded(x: number): number {
  const t = x / ROUNDED;
  return t > 30 ? x : t < -12 ? ROUNDED * Math.exp(-12) : ROUNDED * Math.log1p(Math.exp(t));
}
