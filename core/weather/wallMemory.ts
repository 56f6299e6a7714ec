import { requireRange } from '../errors';

export const WALLS = ['light', 'brick', 'stone'] as const;
export type Wall = (typeof WALLS)[number];

export const WALL_WORDS: Record<Wall, string> = {
  light: 'light timber',
  brick: 'brick',
  stone: 'thick stone',
};

/** How long a wall keeps the sun: hours in which its excess falls to a third. Common practice, for a user to change. */
export type TimeConstants = Record<Wall, number>;
export const USUAL_TIME_CONSTANTS: TimeConstants = { light: 0.7, brick: 3, stone: 5.5 };

/** Share of sunlight that an ordinary rendered, brick or timber face takes up. */
export const ABSORPTANCE = 0.6;
/** Film coefficient outside, W/m²K: the 25 of ISO 6946, for 4 m/s. On a still evening a wall is slower than this says. */
export const OUTER_FILM = 25;

/**
 * The sun's excess on a wall one step later: lumped capacitance, exact for sunlight that is constant over the step.
 *
 * @param excess - K over the same wall in the shade, at the start of the step
 * @param gain - K it would reach in the long run: absorptance × irradiance ÷ film coefficient (sol-air excess)
 * @param hours - length of the step
 * @param timeConstant - h, above 0
 * @returns K at the end of the step
 *
 * Source: Incropera, Fundamentals of Heat and Mass Transfer, ch. 5; sol-air temperature, ASHRAE Fundamentals. A real wall
 * has several time constants: this is the slow one, right after the first hour or so.
 */
export function nextSunExcess(excess: number, gain: number, hours: number, timeConstant: number): number {
  const kept = Math.exp(-hours / timeConstant);
  return excess * kept + gain * (1 - kept);
}

/**
 * Hours until the sun's excess has fallen to a limit, with no more sun; 0 when it is there already.
 *
 * @throws CoreError `out_of_range` for a limit or time constant that is not above 0
 */
export function hoursUntilBelow(excess: number, limit: number, timeConstant: number): number {
  requireRange('limit', limit, Number.MIN_VALUE, 1000);
  requireRange('timeConstant', timeConstant, 0.01, 100);
  return excess <= limit ? 0 : timeConstant * Math.log(excess / limit);
}
