export const WALLS = ['light', 'brick', 'stone'] as const;
export type Wall = (typeof WALLS)[number];

export const WALL_WORDS: Record<Wall, string> = {
  light: 'light timber',
  brick: 'brick',
  stone: 'thick stone',
};

/**
 * How slow a wall is, for a user to change: hours in which the sun's excess falls to a third in ordinary wind. Against the
 * usual ones they say how many times as much heat a wall keeps.
 */
export type TimeConstants = Record<Wall, number>;
export const USUAL_TIME_CONSTANTS: TimeConstants = { light: 0.7, brick: 3, stone: 5.5 };

/** Share of sunlight that an ordinary rendered, brick or timber face takes up. */
export const ABSORPTANCE = 0.6;
