import { airChange } from '../airflow';
import { around, type FeatureKind, paintOver } from '../surface';

/** Something set into the lining with a gap all round: a recessed light, a fan, a socket, a letter plate. */
export interface RingFeature {
  kind: 'ring';
  look: 'light' | 'fan' | 'socket' | 'letter-plate';
  x: number;
  y: number;
  radius: number;
  /** Drop of the temperature factor at the gap where air comes in with full force, 0 … 1; 0 when it is tight. */
  strength: number;
}

const FACES: Record<RingFeature['look'], readonly [number, number, number]> = {
  light: [250, 246, 228],
  fan: [220, 220, 218],
  socket: [240, 240, 238],
  'letter-plate': [186, 158, 92],
};

export const ring: FeatureKind<RingFeature> = {
  bounds: (feature) => around(feature, 2 * feature.radius + 0.08),
  heat(feature, view) {
    const depth = airChange(view, feature.y, feature.strength);
    const flat = feature.look === 'letter-plate' ? 4 : 1;
    const far = 2 * feature.radius + 0.08;
    return (at, point) => {
      const dx = at.x - feature.x;
      const dy = (at.y - feature.y) * flat;
      const away = Math.hypot(dx, dy) - feature.radius;
      if (away > far) return;
      const uneven = 0.75 + 0.25 * Math.sin(3 * Math.atan2(dy, dx) + feature.x);
      point.temperature += depth * uneven * Math.exp(-Math.abs(away) / (0.25 * feature.radius + 0.01));
      if (away < 0) point.temperature += 0.3 * depth;
    };
  },
  daylight(feature) {
    const flat = feature.look === 'letter-plate' ? 4 : 1;
    return (at, colour) => {
      if (Math.hypot(at.x - feature.x, (at.y - feature.y) * flat) < feature.radius) paintOver(colour, FACES[feature.look]);
    };
  },
  fault: (feature) => (feature.strength > 0 ? 'air-leak' : null),
};
