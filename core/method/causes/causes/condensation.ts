import type { Cause } from '../cause';

export const condensation: Cause = {
  code: 'condensation',
  name: 'Condensation',
  gloss: 'The surface is below the dew point of the air, and water comes out of it.',
  harmless: false,
  prior: 2,
  expects: {
    tone: { colder: 20 },
    wet: { 'below-dew-point': 18, 'below-wet-bulb': 1.5, above: 0.5 },
    sign: { loss: 10 },
    side: { inside: 10 },
    drop: { extreme: 6, strong: 4 },
    within: { surface: 7, pane: 3 },
    rim: { sharp: 7, middling: 3 },
  },
  limits: { wet: { above: 0.1 } },
  usually: {
    tone: 'only a cold surface draws water out of the air',
    wet: 'nothing condenses above the dew point',
  },
  odds: { 'wet-room-beside': 1.3, 'no-heating': 1.5 },
  checks: {
    'wipe-dry': { film: 0.85, none: 0.15 },
    'moisture-meter': { wet: 0.5, dry: 0.5 },
  },
};
