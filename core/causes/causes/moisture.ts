import type { Cause } from '../cause';

export const moisture: Cause = {
  code: 'moisture',
  name: 'Moisture',
  gloss: 'The surface is wet, and what dries from it cools it.',
  harmless: false,
  prior: 4,
  expects: {
    tone: { colder: 20 },
    form: { ragged: 6, patch: 4 },
    rim: { middling: 7, soft: 3 },
    top: { uneven: 6, peaked: 4 },
    inside: { blotchy: 9, even: 1 },
    sign: { loss: 7, gain: 3 },
    wet: { above: 9.5, 'below-wet-bulb': 0.3, 'below-dew-point': 0.2 },
    within: { surface: 10 },
    begins: { free: 8, junction: 1, rim: 1 },
    reach: { part: 9, top: 1 },
  },
  usually: {
    tone: 'what dries is colder than what is around it',
    form: 'a wet patch has an irregular outline',
    inside: 'a wet patch is blotchy',
    wet: 'drying alone never cools below the wet-bulb temperature',
    rim: 'its rim is soft',
    top: 'it is uneven',
  },
  odds: {
    'wet-room-above': 4,
    'wet-room-beside': 2,
    'damp-reported': 4,
    'rain-lately': 1.6,
    'water-service-near': 2,
    'moved-between-frames': 0.03,
  },
  checks: {
    'moisture-meter': { wet: 0.9, dry: 0.1 },
    'after-rain': { grows: 0.4, same: 0.6 },
    'run-hot': { grows: 0.15, same: 0.85 },
    'run-cold': { grows: 0.15, same: 0.85 },
    'wipe-dry': { film: 0.15, none: 0.85 },
  },
};
