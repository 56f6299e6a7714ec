import { paintOver, type FeatureKind, around } from '../surface';

/** A fan, box or adapter that is warm by itself. */
export interface FittingFeature {
  kind: 'fitting';
  x: number;
  y: number;
  radius: number;
  /** How much warmer than the wall, K. */
  warmK: number;
}

export const fitting: FeatureKind<FittingFeature> = {
  bounds: (feature) => around(feature, 3 * feature.radius),
  heat(feature) {
    return (at, point) => {
      const away = Math.hypot(at.x - feature.x, at.y - feature.y) / feature.radius;
      if (away < 3) point.temperature += feature.warmK * Math.exp(-away * away);
    };
  },
  daylight(feature) {
    return (at, colour) => {
      if (Math.max(Math.abs(at.x - feature.x), Math.abs(at.y - feature.y)) < feature.radius) paintOver(colour, [62, 62, 66]);
    };
  },
  fault: () => 'appliance',
};
