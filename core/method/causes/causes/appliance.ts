import type { Cause } from '../cause';

export const appliance: Cause = {
  code: 'appliance',
  name: 'Device or lamp',
  gloss: 'Something that uses current is warm by itself.',
  harmless: true,
  prior: 4,
  expects: {
    tone: { warmer: 20 },
    form: { spot: 7, patch: 3 },
    size: { tiny: 7, small: 3 },
    sign: { gain: 8, loss: 2 },
    bounds: { 'warmer-than-both': 7, between: 3 },
    drop: { extreme: 6, strong: 4 },
    side: { inside: 10 },
    top: { peaked: 7, uneven: 3 },
    begins: { free: 9 },
  },
  usually: {
    tone: 'a device is warmer than the wall',
    size: 'devices are small',
    bounds: 'a device is warmer than the air on both sides',
    form: 'a device is a spot',
  },
  odds: { 'electric-service-near': 3 },
  checks: {
    'load-off': { fades: 0.9, stays: 0.1 },
  },
};
