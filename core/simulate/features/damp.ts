import { wetBulbFromHumidity } from '../../humidity/wetBulb';
import { blotch, shade, softStep, type FeatureKind, around } from '../surface';

/** A wet place that dries: blotchy, with a soft irregular rim, and never colder than the wet bulb of the air. */
export interface DampFeature {
  kind: 'damp';
  x: number;
  y: number;
  radius: number;
  /** How wet, 0 … 1: the share of the way from the surface's temperature to the wet bulb. */
  wetness: number;
}

export const damp: FeatureKind<DampFeature> = {
  bounds: (feature) => around(feature, 2.2 * feature.radius),
  heat(feature, view) {
    const [air, humidity] = view.side === 'inside' ? [view.insideC, view.humidityPct / 100] : [view.outsideC, 0.8];
    const coldest = wetBulbFromHumidity(air, Math.max(0.01, humidity));
    return (at, point) => {
      const rim = feature.radius * (0.55 + 0.9 * blotch(at, 0.23)) - Math.hypot(at.x - feature.x, (at.y - feature.y) / 1.2);
      const wet = feature.wetness * softStep(rim, feature.radius * 0.7) * (0.7 + 0.3 * blotch(at, 0.11));
      // A surface that is colder already can only be warmed by its water; it stays as it is.
      point.temperature += Math.min(0, coldest - point.temperature) * wet;
    };
  },
  daylight(feature) {
    return (at, colour) => {
      const rim = feature.radius * (0.5 + 0.9 * blotch(at, 0.23)) - Math.hypot(at.x - feature.x, (at.y - feature.y) / 1.2);
      shade(colour, 1 - 0.07 * softStep(rim, feature.radius * 0.5));
    };
  },
  fault: () => 'moisture',
};
