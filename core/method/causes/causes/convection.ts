import type { Cause } from '../cause';

export const convection: Cause = {
  code: 'convection',
  name: 'Warm air rising',
  gloss: 'Air rises from something warm below.',
  harmless: true,
  prior: 2.5,
  expects: {
    tone: { warmer: 20 },
    form: { 'runs-out': 5, ragged: 3, line: 2 },
    rim: { soft: 8, middling: 2 },
    begins: { object: 6, free: 3, rim: 1 },
    sign: { gain: 9, loss: 1 },
    side: { inside: 10 },
    way: { upright: 9 },
    top: { peaked: 6, uneven: 4 },
  },
  limits: { side: { outside: 0.15 } },
  usually: {
    tone: 'rising air is warmer than the wall',
    begins: 'it rises from something warm',
    rim: 'rising air has soft sides',
  },
  odds: { 'warm-service-near': 3, 'no-heating': 0.4 },
  checks: {
    'heating-off': { fades: 0.7, stays: 0.3 },
    'load-off': { fades: 0.5, stays: 0.5 },
  },
};
