import type { Cause } from '../cause';

export const coldPipe: Cause = {
  code: 'cold-pipe',
  name: 'Cold pipe',
  gloss: 'A pipe with cold water runs behind the surface.',
  harmless: true,
  prior: 2,
  expects: {
    tone: { colder: 20 },
    form: { 'bent-line': 7, line: 3 },
    rim: { middling: 8, sharp: 2 },
    top: { uneven: 8, peaked: 2 },
    side: { inside: 10 },
    within: { surface: 10 },
    reach: { through: 5, part: 5 },
    inside: { even: 10 },
  },
  limits: { side: { outside: 0.15 } },
  usually: {
    tone: 'a pipe with cold water is colder than the wall',
    form: 'a pipe is a thin line with corners',
  },
  odds: { 'water-service-near': 3, 'wet-room-beside': 2, 'wet-room-above': 1.5, 'moved-between-frames': 0.03 },
  checks: {
    'run-cold': { grows: 0.8, same: 0.2 },
  },
};
