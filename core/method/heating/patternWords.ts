import type { Pattern } from './pattern';

/** What a face shows, in a few words. */
export const PATTERN_WORDS: Record<Pattern, string> = {
  even: 'Even all over',
  'low-flow': 'As cold at the foot as its water: little flow',
  'cold-top': 'Cold along the top: air',
  'cold-bottom': 'Colder low down than its water: sludge',
  'cold-whole': 'Cold all over',
  'still-warming': 'Still warming',
  hidden: 'Something hides it',
  unclear: 'No clear pattern',
};
