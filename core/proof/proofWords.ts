import type { Change, Verdict, Why } from '../compare/change';
import type { Outcome, SurfaceAnswer } from './pairRow';

export const VERDICT_WORDS: Record<Verdict, string> = {
  better: 'Better',
  same: 'Same as before',
  worse: 'Worse',
  'cannot-say': 'Cannot say',
};

export const OUTCOME_WORDS: Record<Outcome, string> = {
  closed: 'Proven, closed',
  open: 'Still to do',
  accepted: 'Accepted as it is',
};

export const SURFACE_WORDS: Record<SurfaceAnswer, string> = {
  unchanged: 'no, I looked',
  painted: 'painted',
  papered: 'papered or plastered',
  foiled: 'foil on it',
  taped: 'tape on it',
  blind: 'a blind or curtain is down',
  furniture: 'furniture stands before it',
  other: 'changed otherwise',
};

const WHY: Record<Why, string> = {
  'more-than-uncertain': 'The change is more than twice what is uncertain.',
  'less-than-uncertain': 'What changed is less than what is uncertain, and that is little.',
  'too-uncertain': 'Too much is uncertain: the change could be nothing, or more than that.',
  'surface-changed': 'The surface itself was changed, so that its temperature does not tell the same as before.',
  'looks-different': 'It looks different in the photos, and nobody said yet whether the surface itself was changed.',
  'not-in-view': 'The later frame does not show all of it.',
  'too-little-drive': 'On one of the two visits it was less than 5 K between inside and outside.',
  'opposite-drive': 'It was colder outside on one visit and warmer on the other.',
};

/** Why a verdict is what it is, in a sentence. */
export function whyWords({ why }: Pick<Change, 'why'>): string {
  return WHY[why];
}

/** A verdict for somebody who lives there, in a sentence. */
export function plainWords({ verdict, why }: Pick<Change, 'verdict' | 'why'>): string {
  switch (verdict) {
    case 'better':
      return 'This place loses less heat than before.';
    case 'worse':
      return 'This place loses more heat than before.';
    case 'same':
      return 'This place loses as much heat as before.';
    case 'cannot-say':
      return `These two pictures cannot tell whether it got better. ${WHY[why]}`;
  }
}
