import type { Cause } from '../cause';

export const thermalBridge: Cause = {
  code: 'thermal-bridge',
  name: 'Thermal bridge',
  gloss: 'The structure itself conducts: a corner, lintel, slab edge, rib or uninsulated strip.',
  harmless: false,
  prior: 7,
  expects: {
    form: { line: 9, patch: 1 },
    rim: { middling: 6, sharp: 3, soft: 1 },
    top: { uneven: 7, flat: 2, peaked: 1 },
    sign: { loss: 20 },
    reach: { through: 7, part: 2, top: 1 },
    way: { upright: 5, level: 5, slanting: 0.5 },
    within: { surface: 10 },
    inside: { even: 10 },
  },
  limits: {
    bounds: { 'warmer-than-both': 0.1, 'colder-than-both': 0.1 },
    // What loses heat cannot differ the other way on this side in this season.
    sign: { gain: 0.004 },
    within: { pane: 0.005 },
  },
  usually: {
    bounds: 'what loses heat lies between the air inside and outside',
    form: 'a bridge is a straight stripe',
    reach: 'a bridge follows the structure from end to end',
    sign: 'a loss of heat has the other sign',
    way: 'structure runs upright or level',
  },
  odds: { massive: 1.4, 'repeats-in-house': 1.5, 'other-side-agrees': 1.6, 'same-last-time': 1.3, 'moved-between-frames': 0.03 },
  checks: {
    'other-side': { agrees: 0.75, nothing: 0.25 },
    'stud-finder': { wood: 0.4, hollow: 0.6 },
    wait: { fades: 0.02, stays: 0.98 },
  },
};
