import { linesMean } from '../patternMeans';
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
/** Half widths of a dot and of a joint. */
const DOT_M = 0.015;
const JOINT_M = 0.008;

export const net: FeatureKind<NetFeature> = {
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    return (at, point) => {
      if (feature.what === 'fixings') {
        const across = linesMean(at.x, at.wide, feature.spacing, DOT_M);
        point.temperature += depth * across * linesMean(at.y, at.high, DOT_EVERY_M, DOT_M);
        return;
      }
      const beds = linesMean(at.y + COURSE_M / 2, at.high, COURSE_M, JOINT_M);
      // A pixel that takes in several courses sees their upright joints twice as often.
      const many = at.high > COURSE_M;
      const shift = many ? 0 : (Math.round(at.y / COURSE_M) % 2) * 0.5 * feature.spacing;
      const uprights = many
        ? linesMean(at.x, at.wide, feature.spacing / 2, JOINT_M) / 2
        : linesMean(at.x + shift, at.wide, feature.spacing, JOINT_M);
      point.temperature += depth * (beds + uprights - beds * uprights);
    };
  },
};
