import type { Cause } from '../cause';

export const ductOrFlue: Cause = {
  code: 'duct-or-flue',
  name: 'Duct or flue',
  gloss: 'A duct, flue or vent stack runs in the wall, or leaks beside its register.',
  harmless: false,
  prior: 2,
  expects: {
    form: { line: 4, box: 3, patch: 3 },
    reach: { through: 6, part: 4 },
    way: { upright: 8, level: 1 },
    top: { flat: 6, uneven: 4 },
    size: { large: 7, small: 3 },
    within: { surface: 10 },
    side: { inside: 9, outside: 1 },
    inside: { even: 8, blotchy: 2 },
  },
  usually: {
    reach: 'a duct goes on to the ceiling or floor',
    form: 'a duct is a wide straight stripe',
    size: 'a duct is wide',
  },
  odds: { 'warm-service-near': 1.5, 'meant-opening-near': 2, 'moved-between-frames': 0.03 },
  checks: {
    fan: { changes: 0.85, same: 0.15 },
    'heating-off': { fades: 0.5, stays: 0.5 },
  },
};
