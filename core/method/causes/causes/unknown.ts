import type { Cause } from '../cause';

export const unknown: Cause = {
  code: 'unknown',
  name: 'Not decided',
  gloss: 'None of the causes that are known here explains it well enough.',
  harmless: false,
  prior: 1.5,
  expects: {},
  usually: {},
  checks: {},
};
