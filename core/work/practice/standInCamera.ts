import { normalFrom, seededRandom } from '../../ground/random';

/** The shutter closes so often while the camera is warm, seconds. */
const SHUTTER_EVERY_S = 25;
/** Just switched on it closes more often. */
const SHUTTER_COLD_S = 8;
const WARM_UP_S = 120;
/** How long the picture stands still while it corrects, seconds. */
const SHUTTER_S = 0.7;
/** Drift that is reached without a shutter, K, and the time it takes for most of it, seconds. */
const DRIFT_K = 1.6;
const DRIFT_TIME_S = 90;

/** What the camera does at a moment. */
export interface ShutterState {
  /** The picture stands still. */
  closed: boolean;
  /** Seconds since it closed last. */
  since: number;
}

/**
 * Shutter of the stand-in camera, as uncooled cameras have it: it closes by itself, often while it warms up; between two
 * closings values wander by some tenths of a kelvin, and without it by more than one.
 *
 * @param seconds - since it was switched on
 * @param correctedAt - when the shutter closed last, seconds; the caller keeps it
 * @param automatic - whether it closes by itself
 */
export function shutterAt(seconds: number, correctedAt: number, automatic: boolean): ShutterState & { correctedAt: number } {
  const every = seconds < WARM_UP_S ? SHUTTER_COLD_S : SHUTTER_EVERY_S;
  const closes = automatic && seconds - correctedAt >= every;
  const last = closes ? seconds : correctedAt;
  const since = seconds - last;
  return { correctedAt: last, since, closed: since < SHUTTER_S };
}

/**
 * How far values have wandered, K.
 *
 * @param since - seconds since the shutter closed
 * @param seed - which way; another after each closing
 */
export function driftAfter(since: number, seed: number, closing: number): number {
  const lean = normalFrom(seededRandom((seed ^ Math.round(closing * 1000)) >>> 0))();
  const toward = DRIFT_K * Math.tanh(lean);
  return toward * (1 - Math.exp(-since / DRIFT_TIME_S));
}
