export const SIDES = ['inside', 'outside'] as const;
export type Side = (typeof SIDES)[number];
