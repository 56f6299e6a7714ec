import { airChange } from '../airflow';
import { linesMean } from '../patternMeans';
import { paintOver, type FeatureKind } from '../surface';

/** Floorboards with air coming up between them: thin lines, stronger here and there. */
export interface JointsFeature {
  kind: 'joints';
  /** Width of a board, m. */
  spacing: number;
  /** How far from the outer wall (the surface's upper edge) the air comes up, m. */
  reach: number;
  /** Drop of the temperature factor on a line, 0 … 1. */
  strength: number;
}

/** Half width of the cold on the boards beside a joint. */
const JOINT_M = 0.012;

export const joints: FeatureKind<JointsFeature> = {
  heat(feature, view) {
    const depth = airChange(view, 0, feature.strength);
    return (at, point) => {
      const line = Math.round(at.x / feature.spacing);
      const lines = linesMean(at.x, at.wide, feature.spacing, JOINT_M);
      const uneven = 0.55 + 0.45 * Math.sin(line * 2.4 + at.y * 1.7);
      point.temperature += depth * uneven * lines * Math.exp(-Math.max(0, at.y) / feature.reach);
    };
  },
  daylight(feature) {
    return (at, colour) => {
      paintOver(colour, [158, 118, 82]);
      if ((at.x / feature.spacing + 0.5) % 1 < 0.03) paintOver(colour, [84, 60, 42]);
    };
  },
  fault: () => 'air-leak',
};
