import type { Cause } from '../cause';

export const slumpedInsulation: Cause = {
  code: 'slumped-insulation',
  name: 'Insulation slumped or stopped short',
  gloss: 'Insulation has sunk, was pushed aside, or stops before the edge.',
  harmless: false,
  prior: 4,
  expects: {
    form: { box: 4, patch: 4, ragged: 2 },
    rim: { sharp: 5, middling: 4, soft: 1 },
    top: { flat: 7, uneven: 3 },
    inside: { even: 8, blotchy: 2 },
    sign: { loss: 20 },
    begins: { junction: 5, rim: 4, free: 1 },
    reach: { top: 9, part: 1 },
    framing: { bay: 8, 'one-side': 1, off: 1 },
    within: { surface: 10 },
  },
  limits: {
    bounds: { 'warmer-than-both': 0.1, 'colder-than-both': 0.1 },
    // What loses heat cannot differ the other way on this side in this season.
    sign: { gain: 0.004 },
    within: { pane: 0.005 },
  },
  usually: {
    bounds: 'what loses heat lies between the air inside and outside',
    reach: 'insulation slumps from the top of a bay',
    form: 'it fills the upper part of a bay',
    framing: 'insulation that sinks leaves a bay from line to line',
    sign: 'a loss of heat has the other sign',
    top: 'it is even at the top and soft below',
  },
  odds: { framed: 1.5, massive: 0.2, 'repeats-in-house': 1.6, 'other-side-agrees': 1.6, 'moved-between-frames': 0.03 },
  checks: {
    loft: { missing: 0.75, whole: 0.25 },
    borescope: { empty: 0.75, filled: 0.1, gap: 0.15 },
    'other-side': { agrees: 0.7, nothing: 0.3 },
  },
};
