/**
 * Where a frame looks from: a heated or cooled room; a space with an air of its own, such as a loft, a garage or a cellar;
 * outdoors. It decides which sign a fault has, what better means, and which air is the camera's.
 */
export const SIDES = ['inside', 'loft', 'outside'] as const;
export type Side = (typeof SIDES)[number];

/** As people say it, after "seen from" or by itself. */
export const SIDE_WORDS: Record<Side, string> = { inside: 'inside', loft: 'loft or cold room', outside: 'outside' };
