import { paintOver, type FeatureKind } from '../surface';

/** Warm air that rises from something: a widening streak, fading upwards. */
export interface StreakFeature {
  kind: 'streak';
  /** Where it rises, m. */
  x: number;
  y: number;
  reach: number;
  warmK: number;
}

export const streak: FeatureKind<StreakFeature> = {
  heat(feature) {
    return (at, point) => {
      const up = feature.y - at.y;
      const across = at.x - feature.x;
      if (up < 0) {
        if (up > -0.12 && Math.abs(across) < 0.15) point.temperature += 2.5 * feature.warmK;
        return;
      }
      const width = 0.1 + 0.12 * up;
      point.temperature += feature.warmK * Math.exp(-((across / width) ** 2)) * Math.exp(-up / feature.reach);
    };
  },
  daylight(feature) {
    return (at, colour) => {
      const up = feature.y - at.y;
      if (up < 0 && up > -0.12 && Math.abs(at.x - feature.x) < 0.15) paintOver(colour, [44, 44, 50]);
    };
  },
  fault: () => 'convection',
};
