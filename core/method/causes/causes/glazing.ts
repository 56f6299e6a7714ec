import type { Cause } from '../cause';

export const glazing: Cause = {
  code: 'glazing',
  name: 'Window or door',
  gloss: 'A window or door differs from the wall by nature; a failed pane differs from its neighbours.',
  harmless: true,
  prior: 4,
  expects: {
    form: { box: 10 },
    within: { pane: 9, surface: 1 },
    rim: { sharp: 10 },
    top: { uneven: 8, flat: 2 },
    drop: { extreme: 5, strong: 4, clear: 1 },
  },
  usually: {
    within: 'a window has a frame and panes',
    form: 'a window has straight sides',
    top: 'a pane is unlike its frame',
  },
  odds: { 'shiny-surface': 2, 'opening-known': 5 },
  checks: {
    aside: { moves: 0.3, stays: 0.7 },
    tape: { same: 0.1, differs: 0.9 },
  },
};
