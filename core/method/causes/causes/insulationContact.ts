import type { Cause } from '../cause';

export const insulationContact: Cause = {
  code: 'insulation-contact',
  name: 'Insulation not touching the lining',
  gloss: 'Insulation is there but a gap, a pipe or a duct keeps it off the lining.',
  harmless: false,
  prior: 3,
  expects: {
    form: { patch: 6, ragged: 3, box: 1 },
    rim: { soft: 4, middling: 6 },
    top: { uneven: 7, flat: 3 },
    inside: { even: 8, blotchy: 2 },
    sign: { loss: 20 },
    drop: { slight: 4, clear: 6 },
    within: { surface: 10 },
    begins: { free: 9, rim: 1 },
  },
  limits: {
    bounds: { 'warmer-than-both': 0.1, 'colder-than-both': 0.1 },
    // What loses heat cannot differ the other way on this side in this season.
    sign: { gain: 0.004 },
    within: { pane: 0.005 },
  },
  usually: {
    bounds: 'what loses heat lies between the air inside and outside',
    form: 'such a patch has soft, uneven sides',
    drop: 'it loses little',
    sign: 'a loss of heat has the other sign',
    rim: 'its rim is soft',
  },
  odds: { 'insulated-lately': 3, 'moved-between-frames': 0.03 },
  checks: {
    borescope: { gap: 0.7, empty: 0.1, filled: 0.2 },
    loft: { missing: 0.3, whole: 0.7 },
    'other-side': { agrees: 0.5, nothing: 0.5 },
  },
};
