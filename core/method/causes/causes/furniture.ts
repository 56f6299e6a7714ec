import type { Cause } from '../cause';

export const furniture: Cause = {
  code: 'furniture',
  name: 'Something in front',
  gloss: 'A picture, a board or furniture covers the wall and shows its own temperature.',
  harmless: true,
  prior: 2.5,
  expects: {
    form: { box: 9, patch: 1 },
    rim: { sharp: 9, middling: 1 },
    top: { flat: 9, uneven: 1 },
    sign: { gain: 8, loss: 2 },
    framing: { off: 8, 'one-side': 2 },
    within: { surface: 10 },
    side: { inside: 10 },
    drop: { clear: 7, strong: 2, slight: 1 },
    begins: { free: 9 },
  },
  limits: { side: { outside: 0.15 } },
  usually: {
    form: 'what hangs there has straight sides',
    sign: 'what stands before a wall is nearer to the air of the room',
    framing: 'pictures hang anywhere',
  },
  odds: { 'moved-between-frames': 0.1 },
  checks: {
    'move-it': { gone: 0.6, stays: 0.4 },
  },
};
