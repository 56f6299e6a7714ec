import { airChange } from '../airflow';
import { around, type FeatureKind } from '../surface';

/**
 * A crack that air goes through: where it comes in, coldest at the crack, feathering out along its way; where it goes out, the
 * other side shows it.
 */
export interface LeakFeature {
  kind: 'leak';
  /** Where the crack is, m. */
  x: number;
  y: number;
  /** Way that the air takes, degrees clockwise from "to the right". */
  direction: number;
  /** How far the plume reaches, m. */
  reach: number;
  /** Drop of the temperature factor at the crack where air comes in with full force, 0 … 1. */
  strength: number;
}

export const leak: FeatureKind<LeakFeature> = {
  bounds: (feature) => around(feature, 2.6 * feature.reach + 0.1),
  heat(feature, view) {
    const depth = airChange(view, feature.y, feature.strength);
    const angle = (feature.direction * Math.PI) / 180;
    const cos = Math.cos(angle);
    const sin = Math.sin(angle);
    return (at, point) => {
      const dx = at.x - feature.x;
      const dy = at.y - feature.y;
      const along = dx * cos + dy * sin;
      if (along < -0.1 || along > 3.5 * feature.reach) return;
      const across = -dx * sin + dy * cos;
      const behind = along < 0 ? Math.exp(-((along / 0.02) ** 2)) : 1;
      const waver = 0.012 * Math.sin(along * 55) + 0.08 * along * Math.sin(along * 9 + 1);
      const width = 0.03 + 0.28 * Math.max(0, along);
      const fan = Math.exp(-(((across - waver) / width) ** 2));
      point.temperature += depth * fan * behind * Math.exp(-Math.max(0, along) / (feature.reach / 2.3));
    };
  },
  fault: () => 'air-leak',
};
