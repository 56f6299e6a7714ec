import type { Cause } from '../cause';

export const cable: Cause = {
  code: 'cable',
  name: 'Cable under load',
  gloss: 'A cable carries current and warms its way.',
  harmless: false,
  prior: 1.5,
  expects: {
    tone: { warmer: 20 },
    form: { 'bent-line': 6, line: 4 },
    side: { inside: 10 },
    drop: { slight: 8, clear: 2 },
    rim: { middling: 7, sharp: 3 },
    within: { surface: 10 },
    size: { small: 6, tiny: 3, large: 1 },
    inside: { even: 10 },
  },
  limits: { side: { outside: 0.15 } },
  usually: {
    tone: 'a cable is warmer than the wall',
    form: 'a cable is a thin line',
    drop: 'a cable within its rating is hardly warm',
  },
  odds: { 'electric-service-near': 4, 'moved-between-frames': 0.03 },
  checks: {
    'load-off': { fades: 0.85, stays: 0.15 },
    'heating-off': { fades: 0.03, stays: 0.97 },
  },
};
