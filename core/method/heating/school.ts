/** To what drop a circuit is balanced. */
export const SCHOOLS = ['usual', 'condensing', 'heat-pump', 'own'] as const;
export type School = (typeof SCHOOLS)[number];

interface Target {
  words: string;
  targetK: number;
  toleranceK: number;
}

/** Common practice; the tolerance is a sixth of the target. */
export const TARGETS: Record<Exclude<School, 'own'>, Target> = {
  usual: { words: 'Usual, 12 K', targetK: 12, toleranceK: 2 },
  condensing: { words: 'Condensing, 20 K', targetK: 20, toleranceK: 3.3 },
  'heat-pump': { words: 'Heat pump, 6 K', targetK: 6, toleranceK: 1 },
};
