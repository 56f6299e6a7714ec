import type { Cause } from '../cause';

export const framing: Cause = {
  code: 'framing',
  name: 'Framing, normal',
  gloss: 'A brace, nogging or header: wood conducts more than what fills the bays.',
  harmless: true,
  prior: 3,
  expects: {
    form: { line: 10 },
    sign: { loss: 20 },
    way: { slanting: 6, upright: 2, level: 2 },
    drop: { slight: 6, clear: 4 },
    rim: { middling: 9, sharp: 1 },
    within: { surface: 10 },
    reach: { through: 7, part: 3 },
  },
  limits: { bounds: { 'warmer-than-both': 0.1, 'colder-than-both': 0.1 } },
  usually: {
    bounds: 'what loses heat lies between the air inside and outside',
    form: 'wood is a straight line',
    drop: 'wood loses little',
    way: 'a brace slants',
    sign: 'wood differs as a loss does',
  },
  odds: { framed: 2, massive: 0.1, 'moved-between-frames': 0.03 },
  checks: {
    'stud-finder': { wood: 0.9, hollow: 0.1 },
    wait: { fades: 0.01, stays: 0.99 },
  },
};
