import type { Cause } from '../cause';

export const missingInsulation: Cause = {
  code: 'missing-insulation',
  name: 'Missing insulation',
  gloss: 'A bay or field holds no insulation.',
  harmless: false,
  prior: 7,
  expects: {
    form: { box: 8, patch: 2 },
    rim: { sharp: 7, middling: 3 },
    top: { flat: 9, uneven: 1 },
    inside: { even: 9, blotchy: 1 },
    sign: { loss: 20 },
    framing: { bay: 8, 'one-side': 1, off: 1 },
    within: { surface: 10 },
    bounds: { between: 10 },
    begins: { free: 8, rim: 1, junction: 1 },
    reach: { part: 8, top: 1.5, through: 0.5 },
  },
  limits: {
    bounds: { 'warmer-than-both': 0.1, 'colder-than-both': 0.1 },
    // What loses heat cannot differ the other way on this side in this season.
    sign: { gain: 0.004 },
    within: { pane: 0.005 },
  },
  usually: {
    bounds: 'what loses heat lies between the air inside and outside',
    form: 'a bare bay has straight sides',
    top: 'a bare bay is even',
    inside: 'a bare bay is even',
    sign: 'a loss of heat has the other sign',
    framing: 'a bare bay lies between two lines of the framing',
    rim: 'its sides are sharp',
  },
  odds: {
    framed: 1.4,
    'opening-closed-up': 2,
    'insulated-lately': 0.4,
    'repeats-in-house': 1.6,
    'other-side-agrees': 1.8,
    'other-side-differs': 0.5,
    'moved-between-frames': 0.03,
  },
  checks: {
    borescope: { empty: 0.9, filled: 0.05, gap: 0.05 },
    loft: { missing: 0.6, whole: 0.4 },
    'other-side': { agrees: 0.8, nothing: 0.2 },
    'move-it': { gone: 0.02, stays: 0.98 },
  },
};
