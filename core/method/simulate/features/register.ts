import { waveMean } from '../patternMeans';
import { blotch, depthInside, paintOver, shade, softStep, type BoxM, type FeatureKind, widened } from '../surface';

/** A register of an air system with a boot that does not close: its air spreads behind the lining beside it. */
export interface RegisterFeature extends BoxM {
  kind: 'register';
  /** Of the air that it gives, °C. */
  airC: number;
  /** How far the patch beside it reaches, m; 0 when the boot is tight. */
  reach: number;
}

/** From louvre to louvre. */
const LOUVRE_M = 0.026;

export const register: FeatureKind<RegisterFeature> = {
  bounds: (feature) => widened(feature, 2 * feature.reach),
  heat(feature) {
    return (at, point) => {
      const depth = depthInside(feature, at);
      if (depth >= 0) {
        point.temperature = feature.airC + 0.3 * waveMean(at.y, at.high, LOUVRE_M);
        return;
      }
      if (feature.reach === 0) return;
      const away = Math.hypot(at.x - feature.x - feature.width - 0.3 * feature.reach, at.y - feature.y - feature.height / 2);
      const rim = feature.reach * (0.8 + 0.4 * blotch(at, 0.3)) - away;
      point.temperature += 0.25 * (feature.airC - point.temperature) * softStep(rim, feature.reach * 0.7);
    };
  },
  daylight(feature) {
    return (at, colour) => {
      if (depthInside(feature, at) < 0) return;
      paintOver(colour, [226, 226, 222]);
      if ((at.y * 60) % 1 < 0.4) shade(colour, 0.55);
    };
  },
  fault: (feature) => (feature.reach > 0 ? 'duct-or-flue' : null),
};
