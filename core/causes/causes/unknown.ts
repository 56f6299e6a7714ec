import type { Cause } from '../cause';

export const unknown: Cause = {
  code: 'unknown',
  name: 'Something else',
  gloss: 'None of the causes that are known here.',
  harmless: false,
  prior: 1.5,
  expects: {},
  usually: {},
  checks: {},
};
