import type { Pattern } from './pattern';

/** What a face shows, in a few words. */
export const PATTERN_WORDS: Record<Pattern, string> = {
  even: 'Even all over',
  'cold-top': 'Cold along the top: air',
  'cold-bottom': 'Cold low in the middle: sludge',
  'cold-whole': 'Cold all over',
  'still-warming': 'Still warming',
  hidden: 'Something hides it',
  unclear: 'No clear pattern',
};
