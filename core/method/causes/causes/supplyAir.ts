import type { Cause } from '../cause';

export const supplyAir: Cause = {
  code: 'supply-air',
  name: 'Supply air',
  gloss: 'Conditioned air blows on the surface from a register, or runs in a duct or leaks from one behind it.',
  harmless: true,
  prior: 1,
  expects: {
    form: { 'runs-out': 6, patch: 2, ragged: 2 },
    rim: { soft: 8, middling: 2 },
    top: { peaked: 7, uneven: 3 },
    // Warm while it heats, cold while it cools: never as a loss of heat would be.
    sign: { gain: 19, loss: 1 },
    begins: { opening: 5, object: 3, free: 1, rim: 1 },
    side: { inside: 10 },
    within: { surface: 10 },
  },
  limits: { side: { outside: 0.05 }, sign: { loss: 0.1 } },
  usually: {
    sign: 'air that heats is warm and air that cools is cold, the other way than a loss of heat',
    form: 'a jet fades away from its register',
    begins: 'it begins at a register',
  },
  odds: { 'register-near': 9, 'moved-between-frames': 0.05 },
  checks: {
    fan: { changes: 0.9, same: 0.1 },
    feel: { draught: 0.6, none: 0.4 },
    smoke: { moves: 0.7, still: 0.3 },
    wait: { fades: 0.1, stays: 0.9 },
  },
};
