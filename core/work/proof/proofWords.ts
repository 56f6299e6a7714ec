import type { Change, Verdict, Why } from '../../method/compare/change';
import type { WorkSaid } from '../../method/compare/lossChange';
import type { KnownHistory } from '../visit/wallHistoryOf';
import type { WallClass } from '../../method/weather/wallFamilies';
import type { Outcome, SurfaceAnswer } from '../../model/pairRow';

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

export const WALL_CLASS_WORDS: Record<WallClass, string> = {
  light: 'boards, wool or hollow between',
  brick: 'solid brick',
  cavity: 'two leaves with a cavity',
  masonry: 'brick, solid or with a cavity',
  stone: 'thick stone or concrete',
  unknown: 'not known',
};

export const WORK_WORDS: Record<NonNullable<WorkSaid>, string> = {
  places: 'only these places',
  'whole-wall': 'the wall as a whole',
};

/** What is known of the last two days of a wall, in a sentence. */
export function historyWords({ history, from, missing }: KnownHistory): string {
  if (history === null)
    return `What the wall stood in before is not known: ${missing.join('; ')}. A wall that stores heat can hardly be judged.`;
  const hours = Math.round(-history[0]!.minutes / 60);
  return from === 'readings' ? `The ${hours} h before are known by readings.` : `Steady for ${hours} h, as was said.`;
}

const WHY: Record<Why, string> = {
  'more-than-uncertain': 'The change is more than twice what is uncertain.',
  'less-than-uncertain': 'With all that is uncertain the change is less than a fifth of what is lost here.',
  'too-uncertain': 'Too much is uncertain: the change could be nothing, or more than that.',
  'stored-heat':
    'What the wall stood in during the last two days could have done this much by itself: heat is stored in it. Note the air and the sun of the last 48 hours, or look again after steady weather.',
  'whole-wall':
    'Against the wall beside it this place changed; whether the whole wall became better is not known, because the level of the camera is not known well enough. Say what was done.',
  'same-or-better':
    'It is as it was, or better together with the whole wall: the level of the camera does not tell which. Say what was done.',
  'no-such-wall':
    'No wall of this kind is so warm or so cold in the air that was noted. Check from where both frames were taken, the air, and how the wall is built.',
  'space-unknown': 'The air of the space that it is seen from is not known on both visits. Note it for that room.',
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
