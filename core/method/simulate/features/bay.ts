import { depthInside, perDrop, softStep, type BoxM, type FeatureKind, widened } from '../surface';

/** A bay between two studs without insulation: straight sides, even inside. */
export interface BayFeature extends BoxM {
  kind: 'bay';
  /** Drop of the temperature factor inside, 0 … 1. */
  strength: number;
}

export const bay: FeatureKind<BayFeature> = {
  bounds: (feature) => widened(feature, 0.02),
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    return (at, point) => {
      point.temperature += depth * softStep(depthInside(feature, at), 0.03);
    };
  },
  fault: () => 'missing-insulation',
};
