import { HONEST_PIXELS } from '../radiometry/optics';
import type { Settings } from '../radiometry/settings';
import type { Metric } from './metric';
import type { Reading } from './reading';
import { boundsOf, maskOf, spansOf, type Shape } from './region';

/** Why a reading should not be trusted as it stands, in words for the person who drew it. */
export interface Caution {
  code: 'small' | 'mixed' | 'flat-angle' | 'crosses-left-out' | 'mirror' | 'low-emissivity';
  words: string;
}

/** Beyond this angle from square-on even good emitters mirror, degrees. */
const FLAT_FROM = 60;
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
  if (box && shape.kind !== 'line' && Math.min(box.width, box.height) < HONEST_PIXELS) {
    const size =
      metric && metric.kind !== 'plane'
        ? ` Here nothing below ${centimetres(HONEST_PIXELS * metric.metresPerPixel)} can be read.`
        : '';
    cautions.push({ code: 'small', words: `Under 3 × 3 pixels: smaller than the optics resolve.${size}` });
  }
  if (reading?.populations) {
    const { colder, warmer } = reading.populations;
    const percent = (share: number) => `${Math.round(100 * share)} %`;
    cautions.push({
      code: 'mixed',
      words: `It holds two things, ${percent(colder.share)} near ${colder.mean.toFixed(1)} °C and ${percent(warmer.share)} near ${warmer.mean.toFixed(1)} °C: the mean is neither's.`,
    });
  }
  if (box && metric?.kind === 'plane') {
    const angle = metric.angle([box.x + box.width / 2, box.y + box.height / 2]);
    if (angle > FLAT_FROM)
      cautions.push({
        code: 'flat-angle',
        words: `Seen at ${Math.round(angle)}° from square-on: beyond ${FLAT_FROM}° surfaces mirror.`,
      });
  }
  if (shape.kind !== 'beyond' && crosses(shape, leftOut, frame)) {
    cautions.push({ code: 'crosses-left-out', words: 'It reaches into what was left out.' });
  }
  if (palm === 'mirror')
    cautions.push({ code: 'mirror', words: 'A palm left no print here: it mirrors. Tape it, and read the tape.' });
  else if (emissivity < MOSTLY_MIRROR) {
    cautions.push({
      code: 'low-emissivity',
      words: 'It shows more of its surroundings than of itself: the reflected temperature decides.',
    });
  }
  return cautions;
}

function crosses(shape: Exclude<Shape, { kind: 'beyond' }>, leftOut: readonly Shape[], { width, height }: Of['frame']): boolean {
  const mask = maskOf(leftOut, width, height);
  if (!mask) return false;
  return spansOf(shape, width, height).some(({ y, from, to }) => mask.subarray(y * width + from, y * width + to + 1).includes(1));
}

function centimetres(m: number): string {
  return m < 0.1 ? `${Math.round(1000 * m)} mm` : `${Math.round(100 * m)} cm`;
}
