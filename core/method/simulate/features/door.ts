import { airChange } from '../airflow';
import { depthInside, levelAt, paintOver, shade, type BoxM, type FeatureKind, widened } from '../surface';

/** An outside door: colder than the wall, leaking at its threshold and keyhole. */
export interface DoorFeature extends BoxM {
  kind: 'door';
  factor: number;
  /** Drop of the temperature factor at the threshold, 0 … 1. */
  threshold: number;
}

export const door: FeatureKind<DoorFeature> = {
  bounds: (feature) => widened(feature, 0.55),
  heat(feature, view) {
    const bottom = feature.y + feature.height;
    const keyhole = { x: feature.x + feature.width - 0.08, y: feature.y + feature.height * 0.52 };
    const threshold = airChange(view, bottom, feature.threshold);
    const throughKeyhole = airChange(view, keyhole.y, 0.5 * feature.threshold);
    return (at, point) => {
      const depth = depthInside(feature, at);
      if (depth >= 0) point.temperature = levelAt(view, feature.factor) + (depth < 0.1 ? 0.4 : 0);
      if (depth < -0.6) return;
      const beside = Math.max(0, feature.x - at.x, at.x - feature.x - feature.width);
      const fromThreshold = Math.abs(at.y - bottom);
      const uneven = 0.7 + 0.3 * Math.sin(at.x * 21);
      point.temperature += threshold * uneven * Math.exp(-fromThreshold / 0.07) * Math.exp(-beside / 0.04);
      const fromKeyhole = Math.hypot(at.x - keyhole.x, at.y - keyhole.y);
      point.temperature += throughKeyhole * Math.exp(-((fromKeyhole / 0.03) ** 2));
    };
  },
  daylight(feature) {
    return (at, colour) => {
      const depth = depthInside(feature, at);
      if (depth < 0) {
        if (depth > -0.05 && at.y < feature.y + feature.height) paintOver(colour, [236, 231, 220]);
        return;
      }
      paintOver(colour, [74, 96, 88]);
      if (depth > 0.09 && depth < 0.1) shade(colour, 0.75);
      const knob = Math.hypot(at.x - (feature.x + feature.width - 0.08), at.y - (feature.y + feature.height * 0.48));
      if (knob < 0.025) paintOver(colour, [198, 170, 96]);
    };
  },
  fault: () => 'air-leak',
};
