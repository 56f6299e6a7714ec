import type { Cause } from '../cause';

export const sun: Cause = {
  code: 'sun',
  name: 'Warmth of the sun',
  gloss: 'The sun warmed it, and it has not yet given that away.',
  harmless: true,
  prior: 2.5,
  expects: {
    tone: { warmer: 20 },
    form: { patch: 6, box: 3, ragged: 1 },
    rim: { middling: 6, soft: 3, sharp: 1 },
    top: { flat: 9, uneven: 1 },
    inside: { even: 10 },
    size: { large: 8, small: 2 },
    side: { outside: 7, inside: 3 },
    framing: { off: 8, 'one-side': 2 },
    within: { surface: 10 },
    drop: { extreme: 5, strong: 4, clear: 1 },
  },
  usually: {
    tone: 'the sun only warms',
    size: 'the sun warms large fields',
    form: 'its patch has a slanting shadow',
    rim: 'its sides are soft',
  },
  odds: { 'sun-lately': 8, 'no-sun': 0.02, 'moved-between-frames': 0.1 },
  checks: {
    'after-dark': { gone: 0.95, stays: 0.05 },
    wait: { fades: 0.25, stays: 0.75 },
  },
};
