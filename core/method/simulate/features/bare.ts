import { perDrop, type FeatureKind } from '../surface';

/** No insulation at all: evenly bare looks like evenly good, only colder. */
export interface BareFeature {
  kind: 'bare';
  /** Drop of the temperature factor all over, 0 … 1. */
  strength: number;
}

export const bare: FeatureKind<BareFeature> = {
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    return (_at, point) => {
      point.temperature += depth;
    };
  },
  fault: () => 'missing-insulation',
};
