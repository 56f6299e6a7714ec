import type { Cause } from '../cause';

export const intendedOpening: Cause = {
  code: 'intended-opening',
  name: 'Opening that is meant',
  gloss: 'A vent, extract or outlet lets air through on purpose.',
  harmless: true,
  prior: 2,
  expects: {
    form: { box: 4, patch: 3, 'runs-out': 3 },
    rim: { sharp: 5, middling: 5 },
    sign: { loss: 9, gain: 1 },
    drop: { extreme: 7, strong: 3 },
    size: { small: 6, tiny: 4 },
    begins: { free: 9 },
    framing: { off: 8, 'one-side': 2 },
  },
  usually: {
    drop: 'through an opening the temperature is nearly that of the air beyond',
    size: 'vents are small',
  },
  odds: { 'meant-opening-near': 12 },
  checks: {
    ask: { meant: 0.9, unknown: 0.1 },
    smoke: { moves: 0.8, still: 0.2 },
    feel: { draught: 0.7, none: 0.3 },
  },
};
