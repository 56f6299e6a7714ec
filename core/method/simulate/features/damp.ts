import { saturationPressure } from '../../../ground/saturation';
import { dryingTemperature } from '../drying';
import { blotch, shade, softStep, type FeatureKind, around } from '../surface';

/** A wet place that dries: blotchy, with a soft irregular rim, as cold as evaporation against air, room and wall makes it. */
export interface DampFeature {
  kind: 'damp';
  x: number;
  y: number;
  radius: number;
  /** Share of its face that is wet, 0 … 1. */
  wetness: number;
  /** How much wetter its middle is than its rim, 0 … 1; evenly wet where nothing is said. */
  middle?: number;
}

export const damp: FeatureKind<DampFeature> = {
  bounds: (feature) => around(feature, 2.2 * feature.radius),
  heat(feature, view) {
    const [air, humidityPct] = view.side === 'inside' ? [view.insideC, view.humidityPct] : [view.outsideC, view.outerHumidityPct];
    const vapour = (humidityPct / 100) * saturationPressure(air);
    return (at, point) => {
      const rim = feature.radius * (0.55 + 0.9 * blotch(at, 0.23)) - Math.hypot(at.x - feature.x, (at.y - feature.y) / 1.2);
      const away = Math.hypot(at.x - feature.x, at.y - feature.y) / feature.radius;
      const drier = 1 - (feature.middle ?? 0) * Math.min(1, away);
      const wet = drier * feature.wetness * softStep(rim, feature.radius * 0.7) * (0.7 + 0.3 * blotch(at, 0.11));
      if (wet > 0) point.temperature = dryingTemperature(point.temperature, vapour, wet);
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
