import { linesMean } from '../patternMeans';
import { perDrop, type FeatureKind } from '../surface';

/** Studs or joists behind the lining: evenly spaced thin lines, a normal bridge. */
export interface StudsFeature {
  kind: 'studs';
  /** Centre of the first, m from the left. */
  first: number;
  spacing: number;
  width: number;
  /** Drop of the temperature factor on the line, 0 … 1. */
  strength: number;
}

export const studs: FeatureKind<StudsFeature> = {
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    const spread = feature.width * 0.7;
    return (at, point) => {
      point.temperature += depth * linesMean(at.x - feature.first, at.wide, feature.spacing, spread);
    };
  },
};
