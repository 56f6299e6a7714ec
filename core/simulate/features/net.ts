import { perDrop, type FeatureKind } from '../surface';

/** Fixings along studs, or the joints between bricks: small, regular, harmless. */
export interface NetFeature {
  kind: 'net';
  what: 'fixings' | 'mortar';
  /** Across, m. */
  spacing: number;
  /** Drop of the temperature factor on a dot or joint, 0 … 1. */
  strength: number;
}

const DOT_EVERY_M = 0.3;
const COURSE_M = 0.075;

export const net: FeatureKind<NetFeature> = {
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    const off = (value: number, step: number) => value - Math.round(value / step) * step;
    return (at, point) => {
      if (feature.what === 'fixings') {
        const away = Math.hypot(off(at.x, feature.spacing), off(at.y, DOT_EVERY_M));
        if (away < 0.06) point.temperature += depth * Math.exp(-((away / 0.015) ** 2));
        return;
      }
      const course = Math.round(at.y / COURSE_M);
      const upright = off(at.x + (course % 2) * 0.5 * feature.spacing, feature.spacing);
      const joint = Math.min(Math.abs(off(at.y + COURSE_M / 2, COURSE_M)), Math.abs(upright));
      if (joint < 0.03) point.temperature += depth * Math.exp(-((joint / 0.008) ** 2));
    };
  },
};
