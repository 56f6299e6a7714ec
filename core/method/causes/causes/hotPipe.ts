import type { Cause } from '../cause';

export const hotPipe: Cause = {
  code: 'hot-pipe',
  name: 'Warm pipe',
  gloss: 'A pipe of the heating or of hot water runs behind the surface.',
  harmless: true,
  prior: 5,
  expects: {
    tone: { warmer: 20 },
    form: { 'bent-line': 7, line: 3 },
    sign: { gain: 8, loss: 2 },
    rim: { middling: 8, sharp: 2 },
    top: { uneven: 8, peaked: 2 },
    inside: { even: 10 },
    within: { surface: 10 },
    bounds: { between: 5, 'warmer-than-both': 5 },
    reach: { through: 5, part: 5 },
  },
  usually: {
    tone: 'a pipe with hot water is warmer than the wall',
    form: 'a pipe is a thin line with corners',
    top: 'a pipe is strongest along its middle',
  },
  odds: {
    'warm-service-near': 3,
    'water-service-near': 2,
    'no-heating': 0.3,
    'wet-room-above': 1.5,
    'moved-between-frames': 0.03,
  },
  checks: {
    'run-hot': { grows: 0.5, same: 0.5 },
    'heating-off': { fades: 0.75, stays: 0.25 },
    wait: { fades: 0.1, stays: 0.9 },
  },
};
