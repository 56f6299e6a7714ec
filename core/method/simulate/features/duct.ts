import { drive, softStep, type FeatureKind } from '../surface';

/** A duct, flue or vent stack in the wall: a wide straight stripe, full height, with the sign of what is in it. */
export interface DuctFeature {
  kind: 'duct';
  x: number;
  width: number;
  /** Running carries its own air; idle, the loft's or the outdoor cold. */
  running: boolean;
  /** Of its own air while it runs, °C. */
  airC: number;
}

export const duct: FeatureKind<DuctFeature> = {
  heat(feature, view) {
    const inside = feature.running ? feature.airC : view.outsideC + 0.3 * drive(view);
    return (at, point) => {
      const depth = Math.min(at.x - feature.x, feature.x + feature.width - at.x);
      point.temperature += 0.18 * (inside - point.temperature) * softStep(depth, 0.08);
    };
  },
  fault: () => 'duct-or-flue',
};
