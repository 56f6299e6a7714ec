/** What a camera does when something is wrong, and what to do then. Read on the kit page and in its guide. */
export const FIRST_AID: readonly (readonly [sign: string, help: string])[] = [
  ['Picture is dark', 'Lens cap. Then range: something very hot or the sky in view? Point at a plain wall.'],
  ['Picture stands still', 'Wait a second: the shutter corrects. If it stays, switch off, wait ten seconds, switch on.'],
  [
    'Picture is flat and grainy',
    'Too small a difference between inside and outside, or not warmed up. Wait five minutes; look at the conditions.',
  ],
  ['Values wander', 'Let it warm up for ten minutes, and leave the automatic shutter on.'],
  ['Picture is not sharp', 'Too near: step back to where it is sharp. Wipe the lens with a clean cloth only.'],
  ['Nothing is stored', 'Card full or locked. Take the spare one; never empty a card before its frames are in the visit.'],
];
