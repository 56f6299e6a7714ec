import type { Cause } from '../cause';

export const airLeak: Cause = {
  code: 'air-leak',
  name: 'Air leak',
  gloss: 'Air comes through a gap and cools or warms what it blows on.',
  harmless: false,
  prior: 10,
  expects: {
    form: { 'runs-out': 8, spot: 1, ragged: 1 },
    rim: { soft: 7, middling: 3 },
    top: { peaked: 8, uneven: 2 },
    inside: { even: 4, blotchy: 6 },
    sign: { loss: 19, gain: 1 },
    begins: { opening: 4, junction: 4, free: 1.5, rim: 0.5 },
    bounds: { between: 10 },
    within: { surface: 10 },
    reach: { part: 6, top: 4 },
    wet: { above: 8, 'below-dew-point': 1, 'below-wet-bulb': 1 },
  },
  limits: {
    bounds: { 'warmer-than-both': 0.1, 'colder-than-both': 0.1 },
    // What loses heat cannot differ the other way on this side in this season.
    sign: { gain: 0.004 },
  },
  usually: {
    inside: 'what air blows on is streaky',
    form: 'air feathers out from a crack',
    rim: 'the rim of a leak is soft',
    top: 'a leak is strongest at its crack and fades',
    sign: 'a leak differs as the outdoor air does',
    begins: 'leaks begin at an edge, a joint or an opening',
    bounds: 'air from outside cannot make it warmer or colder than both airs',
  },
  odds: {
    'draught-reported': 3,
    'cold-reported': 1.3,
    'repeats-in-house': 1.5,
    'other-side-agrees': 1.3,
    'moved-between-frames': 0.05,
  },
  checks: {
    smoke: { moves: 0.85, still: 0.15 },
    feel: { draught: 0.75, none: 0.25 },
    wait: { fades: 0.2, stays: 0.8 },
    fan: { changes: 0.3, same: 0.7 },
    'other-side': { agrees: 0.45, nothing: 0.55 },
  },
};
