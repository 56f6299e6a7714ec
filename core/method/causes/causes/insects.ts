import type { Cause } from '../cause';

export const insects: Cause = {
  code: 'insects',
  name: 'Insects or animals',
  gloss: 'Something lives in the timber or the cavity.',
  harmless: false,
  prior: 0.6,
  expects: {
    tone: { warmer: 10 },
    form: { spot: 7, ragged: 3 },
    size: { tiny: 9, small: 1 },
    alike: { several: 7, alone: 3 },
    sign: { gain: 7, loss: 3 },
    drop: { clear: 4, strong: 4, slight: 2 },
    begins: { free: 10 },
  },
  usually: {
    tone: 'animals are warmer than the wall',
    alike: 'nests show several small spots',
    size: 'nests are small',
  },
  checks: {
    'load-off': { fades: 0.02, stays: 0.98 },
    'heating-off': { fades: 0.05, stays: 0.95 },
  },
};
