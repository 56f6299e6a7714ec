import { blotch, perDrop, softStep, type FeatureKind, around } from '../surface';

/** A round patch with soft, uneven sides where insulation is there but does not touch the lining. */
export interface PatchFeature {
  kind: 'patch';
  x: number;
  y: number;
  radius: number;
  /** Drop of the temperature factor in its middle, 0 … 1. */
  strength: number;
}

export const patch: FeatureKind<PatchFeature> = {
  bounds: (feature) => around(feature, 1.6 * feature.radius),
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    return (at, point) => {
      const rim = feature.radius * (0.8 + 0.4 * blotch(at, 0.4)) - Math.hypot(at.x - feature.x, at.y - feature.y);
      point.temperature += depth * softStep(rim, feature.radius * 0.6);
    };
  },
  fault: () => 'insulation-contact',
};
