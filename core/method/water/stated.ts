import type { Found } from './choose';
import type { Source } from './source';
import { largestRise } from './spots';

/** Where water comes out, as it is stated, in pixels of the first frame that was kept. */
export interface LeakSource {
  kind: 'point' | 'line';
  inside: boolean;
  /** Null outside the frame. */
  x: number | null;
  y: number | null;
  /** Of the circle that holds it in nine cases of ten. */
  radius: number | null;
  /** From the leak the way the water runs. */
  line: [number, number][] | null;
  /** From the middle of the frame to a source outside it, degrees, 0 right, 90 down. */
  direction: number | null;
}

/** Radius of the circle that holds nine of ten of a round bell, in its standard deviations. */
const NINE_OF_TEN = 2.15;
/** What the noise of frames leaves open is more than a fit says: frames share the camera's pattern, and a pool is no disc. */
const NOISE_SHARE = { point: 1.3, line: 1 };
/** A pool leans, which hardly shows: standard deviation, in λ, of a broad patch, of any, and along a line. */
const LEANING = 0.2;
const LEAST_LEANING = 0.12;
const ALONG_LINE = 0.35;
/** So much broader than its depth explains is a broad patch. */
const BROAD = 1.2;
const SURE_Z = 6;
const SURE_LEFT = 1.2;
const STEP_S = 30;

/** @param size - of the small frames in which it was found; @param scale - pixels of a frame to one of them */
export function stated(found: Found, { width, height }: { width: number; height: number }, scale: number): LeakSource {
  const { x, y } = found;
  const kind = found.kind === 'line' ? 'line' : 'point';
  const full = (value: number) => scale * value + (scale - 1) / 2;
  if (x < -0.5 || y < -0.5 || x > width - 0.5 || y > height - 0.5) {
    const degrees = (Math.atan2(y - (height - 1) / 2, x - (width - 1) / 2) * 180) / Math.PI;
    return { kind, inside: false, x: null, y: null, radius: null, line: null, direction: (degrees + 360) % 360 };
  }
  const end: [number, number] = [
    full(x + found.length * Math.cos(found.direction)),
    full(y + found.length * Math.sin(found.direction)),
  ];
  return {
    kind,
    inside: true,
    x: full(x),
    y: full(y),
    radius: scale * radiusOf(found, kind),
    line: kind === 'line' ? [[full(x), full(y)], end] : null,
    direction: null,
  };
}

function radiusOf({ u, excess, floor }: Source, kind: 'point' | 'line'): number {
  const leaning = kind === 'line' ? ALONG_LINE : Math.hypot(LEAST_LEANING, Math.min(1, excess / BROAD) * LEANING);
  return NINE_OF_TEN * Math.hypot(NOISE_SHARE[kind] * u, leaning * floor.lambda);
}

/** How sure it is that this is a leak, 0.5 … 0.98. */
export function confidenceOf({ z, each }: Found): number {
  return Math.max(0.5, Math.min(0.98, 1 - Math.exp(-z / SURE_Z))) * (each < SURE_LEFT ? 1 : 0.9);
}

/** The fastest rise of the surface, K a minute, until a moment. */
export function steepest({ floor, spots, amount }: Source, end: number): number {
  let [most, before] = [0, 0];
  for (let t = STEP_S; t <= end; t += STEP_S) {
    const now = amount * largestRise(t, floor, spots);
    if (Math.abs(now - before) > Math.abs(most)) most = now - before;
    before = now;
  }
  return (most * 60) / STEP_S;
}
