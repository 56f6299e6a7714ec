import type { Cause } from '../cause';

export const leftoverWarmth: Cause = {
  code: 'leftover-warmth',
  name: 'Left-over warmth',
  gloss: 'A hand, a back, a seat or a vehicle warmed it a moment ago.',
  harmless: true,
  prior: 1.5,
  expects: {
    tone: { warmer: 20 },
    form: { patch: 6, spot: 3, ragged: 1 },
    rim: { soft: 6, middling: 4 },
    sign: { gain: 9, loss: 1 },
    size: { small: 6, tiny: 4 },
    side: { inside: 8, outside: 2 },
    begins: { free: 9 },
    top: { uneven: 6, flat: 2, peaked: 2 },
  },
  usually: {
    tone: 'such a print is warm',
    rim: 'such a print is soft',
  },
  odds: { 'same-last-time': 0.1 },
  checks: {
    wait: { fades: 0.95, stays: 0.05 },
  },
};
