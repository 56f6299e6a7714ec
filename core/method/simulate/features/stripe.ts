import { depthInside, perDrop, softStep, type BoxM, type FeatureKind, widened } from '../surface';

/** A lintel, slab edge or uninsulated strip: a straight stripe that follows the structure. */
export interface StripeFeature extends BoxM {
  kind: 'stripe';
  /** Drop of the temperature factor along it, 0 … 1. */
  strength: number;
}

export const stripe: FeatureKind<StripeFeature> = {
  bounds: (feature) => widened(feature, 0.1),
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    const soft = Math.min(0.12, 0.8 * Math.min(feature.width, feature.height));
    return (at, point) => {
      point.temperature += depth * softStep(depthInside(feature, at), soft);
    };
  },
  fault: () => 'thermal-bridge',
};
