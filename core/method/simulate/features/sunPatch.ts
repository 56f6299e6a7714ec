import { softStep, type BoxM, type FeatureKind, depthInside, widened } from '../surface';

/** Where the sun came through a gap or past a corner: a patch with a slanting corner and soft sides, on a wall or floor. */
export interface SunPatchFeature extends BoxM {
  kind: 'sun-patch';
  /** How much warmer, K. */
  warmK: number;
  /** Share of its sides that a slanting shadow takes off one corner, 0 … 1. */
  cut: number;
}

export const sunPatch: FeatureKind<SunPatchFeature> = {
  bounds: (feature) => widened(feature, 0.2),
  heat(feature) {
    const soft = 0.03 + 0.05 * Math.min(feature.width, feature.height);
    return (at, point) => {
      const depth = depthInside(feature, at);
      const u = (at.x - feature.x) / feature.width;
      const v = (at.y - feature.y) / feature.height;
      const slant = ((u + v - feature.cut) * Math.min(feature.width, feature.height)) / Math.SQRT2;
      point.temperature += feature.warmK * softStep(Math.min(depth, slant), soft);
    };
  },
  fault: () => 'sun',
};
