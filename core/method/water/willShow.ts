import { rise } from './spread';

/** What may lie on a floor over the screed: thickness, mm, and diffusivity, mm²/s. */
export const COVERINGS = {
  none: null,
  tile: { mm: 9, diffusivity: 0.55 },
  vinyl: { mm: 3, diffusivity: 0.15 },
  timber: { mm: 15, diffusivity: 0.16 },
  carpet: { mm: 9, diffusivity: 0.09 },
} as const;
export type Covering = keyof typeof COVERINGS;
export const COVERING_NAMES = Object.keys(COVERINGS) as [Covering, ...Covering[]];

/** Diffusivity of screed, mm²/s. */
const SCREED = 0.62;
/** Rise of a usual leak for each kelvin between water and floor, in units of `rise`; leaks differ by so much either way. */
export const USUAL_HEAT = 0.2;
const LEAKS_DIFFER = 2;
/** A patch is seen from so many noises of a pixel on. */
const NOISES = 4;
const STEP_S = 30;
const LONGEST_S = 4 * 3600;

export interface Forecast {
  /** Minutes after the water is turned on until the surface shows it: soonest, usual, latest; null: not within four hours. */
  showsAfterMin: { soonest: number | null; usual: number | null; latest: number | null };
  /** Contrast of a usual leak at moments after that, K. */
  contrasts: { minutes: number; kelvin: number }[];
  /** Between water and floor, K. */
  driveK: number;
}

/**
 * How long heat takes from a pipe to the surface, s: z² / 4α, and where layers follow each other the square of what their
 * square roots add up to.
 *
 * @param coverMm - of screed over the pipe
 */
export function travelTime(coverMm: number, covering: Covering): number {
  const layer = COVERINGS[covering];
  const root = coverMm / Math.sqrt(4 * SCREED) + (layer ? layer.mm / Math.sqrt(4 * layer.diffusivity) : 0);
  return root * root;
}

/**
 * Whether a leak will show, before anybody waits.
 *
 * @param noiseK - of one pixel of the camera
 */
export function forecast({
  coverMm,
  covering,
  waterC,
  floorC,
  noiseK,
}: {
  coverMm: number;
  covering: Covering;
  waterC: number;
  floorC: number;
  noiseK: number;
}): Forecast {
  const driveK = waterC - floorC;
  const D = travelTime(coverMm, covering);
  const usual = (t: number) => USUAL_HEAT * Math.abs(driveK) * rise(0, t / D);
  const shows = (factor: number): number | null => {
    for (let t = STEP_S; t <= LONGEST_S; t += STEP_S) if (factor * usual(t) >= NOISES * noiseK) return t / 60;
    return null;
  };
  return {
    showsAfterMin: { soonest: shows(LEAKS_DIFFER), usual: shows(1), latest: shows(1 / LEAKS_DIFFER) },
    contrasts: [5, 10, 20, 30, 60, 120].map((minutes) => ({ minutes, kelvin: Math.sign(driveK) * usual(60 * minutes) })),
    driveK,
  };
}
