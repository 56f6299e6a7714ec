import { HONEST_PIXELS } from '../radiometry/optics';
import type { Settings } from '../radiometry/settings';
import type { Metric } from './metric';
import type { Reading } from './reading';
import { boundsOf, maskOf, spansOf, type Shape } from './region';

/** Why a reading should not be trusted as it stands; its words are in `cautionWords.ts`. */
export type Caution =
  /** `leastM`: the smallest side that can be read here, m; null where no sizes are known. */
  | { code: 'small'; leastM: number | null }
  /** It holds two things: their shares of the pixels, and their temperatures, °C. */
  | { code: 'mixed'; shares: [number, number]; at: [number, number] }
  /** How far from square-on it is seen, and from where on surfaces mirror. */
  | { code: 'flat-angle'; degrees: number; beyond: number }
  | { code: 'crosses-left-out' | 'mirror' | 'low-emissivity' };

/** Beyond this angle from square-on even good emitters mirror, degrees. */
const FLAT_FROM = 60;
/** Fewer pixels a side hold no pixel that is free of its neighbours. */
const LEAST_REGION = 3;
/** Below this a surface shows more of its surroundings than of itself. */
const MOSTLY_MIRROR = 0.6;

interface Of {
  shape: Shape;
  reading: Reading | null;
  frame: { width: number; height: number };
  /** Shapes that were left out of this frame. */
  leftOut: readonly Shape[];
  metric: Metric | null;
  emissivity: number;
  palm: Settings['palm'];
}

/** What speaks against a reading. */
export function cautionsFor({ shape, reading, frame, leftOut, metric, emissivity, palm }: Of): Caution[] {
  const cautions: Caution[] = [];
  const box = shape.kind === 'beyond' ? null : boundsOf(shape);
  if (box && shape.kind !== 'line' && Math.min(box.width, box.height) < LEAST_REGION) {
    const known = metric && metric.kind !== 'plane' ? HONEST_PIXELS * metric.metresPerPixel : null;
    cautions.push({ code: 'small', leastM: known });
  }
  if (reading?.populations) {
    const { colder, warmer } = reading.populations;
    cautions.push({ code: 'mixed', shares: [colder.share, warmer.share], at: [colder.mean, warmer.mean] });
  }
  if (box && metric?.kind === 'plane') {
    const angle = metric.angle([box.x + box.width / 2, box.y + box.height / 2]);
    if (angle > FLAT_FROM) cautions.push({ code: 'flat-angle', degrees: angle, beyond: FLAT_FROM });
  }
  if (shape.kind !== 'beyond' && crosses(shape, leftOut, frame)) {
    cautions.push({ code: 'crosses-left-out' });
  }
  if (palm === 'mirror') cautions.push({ code: 'mirror' });
  else if (emissivity < MOSTLY_MIRROR) cautions.push({ code: 'low-emissivity' });
  return cautions;
}

function crosses(shape: Exclude<Shape, { kind: 'beyond' }>, leftOut: readonly Shape[], { width, height }: Of['frame']): boolean {
  const mask = maskOf(leftOut, width, height);
  if (!mask) return false;
  return spansOf(shape, width, height).some(({ y, from, to }) => mask.subarray(y * width + from, y * width + to + 1).includes(1));
}
