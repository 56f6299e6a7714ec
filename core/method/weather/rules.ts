import type { Strictness } from './plan';

export type Curve = readonly (readonly [number, number])[];

interface Rules {
  difference: Curve;
  wind: Curve;
  windInside: Curve;
  sunExcess: Curve;
  /** By |ln| of the contrast over that in balance: 0.1 is 10 %, 0.5 is 40 % off. */
  following: Curve;
  wetness: Curve;
  /** Factor for daylight on façades, for those who trust darkness only. */
  daylight: number;
  windows: number;
}

/**
 * Factors by strictness, from common practice: 10 K (15 K for numbers), outdoors up to about 5 m/s, sun's excess below
 * 1 K, half a day after rain. 0.75 is where practice says "yes".
 */
export const RULES: Record<Strictness, Rules> = {
  usual: {
    difference: [
      [3, 0],
      [10, 0.75],
      [15, 1],
    ],
    wind: [
      [2, 1],
      [5, 0.75],
      [9, 0],
    ],
    windInside: [
      [6, 1],
      [15, 0.6],
    ],
    sunExcess: [
      [1, 1],
      [1.8, 0.75],
      [5, 0],
    ],
    following: [
      [0.15, 1],
      [0.35, 0.75],
      [0.9, 0.25],
      [1.6, 0],
    ],
    wetness: [
      [0.1, 1],
      [1, 0.3],
    ],
    daylight: 1,
    windows: 0.8,
  },
  strict: {
    difference: [
      [6, 0],
      [15, 0.75],
      [20, 1],
    ],
    wind: [
      [1, 1],
      [3, 0.75],
      [6, 0],
    ],
    windInside: [
      [4, 1],
      [10, 0.6],
    ],
    sunExcess: [
      [0.5, 1],
      [1, 0.75],
      [3, 0],
    ],
    following: [
      [0.05, 1],
      [0.2, 0.75],
      [0.6, 0.2],
      [1, 0],
    ],
    wetness: [
      [0.05, 1],
      [1, 0],
    ],
    daylight: 0.4,
    windows: 0.5,
  },
};

/** By how far the coldest face is above the air's dew or frost point, K. */
export const DEW: Curve = [
  [-0.3, 0.3],
  [0.7, 1],
];
/** Humidity from which air is fog or next to it, per cent. */
export const FOG_PCT = 99;
export const FOG = 0.4;

/** Beam on a façade above which it counts as in the sun, W/m². */
export const SUN_ON_WALL = 20;
export const BEAM: Curve = [
  [SUN_ON_WALL, 1],
  [120, 0.25],
  [300, 0],
];
/** Beam through windows that warms floors and panes, W/m². */
export const SUN_IN_ROOM = 120;
/** Sky colder than the air by this mirrors in glass and on roofs, K. */
export const COLD_SKY_K = 12;
/** For a look at solar gain: beam on the façade, W/m². */
export const GAIN: Curve = [
  [100, 0],
  [400, 1],
];

/** Straight lines through points, level beyond the ends. */
export function along(curve: Curve, x: number): number {
  if (x <= curve[0]![0]) return curve[0]![1];
  for (let i = 1; i < curve.length; i += 1) {
    const here = curve[i]!;
    const before = curve[i - 1]!;
    if (x <= here[0]) return before[1] + ((here[1] - before[1]) * (x - before[0])) / (here[0] - before[0]);
  }
  return curve.at(-1)![1];
}
