import type { Cause } from '../cause';

export const reflection: Cause = {
  code: 'reflection',
  name: 'Reflection',
  gloss: 'The surface mirrors a person, a lamp, or the sky.',
  harmless: true,
  prior: 5,
  expects: {
    tone: { warmer: 7 },
    form: { ragged: 4, patch: 4, box: 2 },
    rim: { sharp: 9, middling: 1 },
    within: { plate: 6, pane: 3, surface: 1 },
    top: { flat: 7, uneven: 3 },
    sign: { gain: 7, loss: 3 },
    bounds: { 'warmer-than-both': 7, between: 2, 'colder-than-both': 1 },
  },
  usually: {
    within: 'mirrors have an outline of their own',
    rim: 'mirror images have sharp rims',
    bounds: 'a person in a mirror is warmer than the room',
  },
  odds: { 'shiny-surface': 8, 'moved-between-frames': 60, 'stayed-between-frames': 0.06 },
  checks: {
    aside: { moves: 0.92, stays: 0.08 },
    tape: { same: 0.9, differs: 0.1 },
    palm: { print: 0.08, none: 0.92 },
  },
};
