import { depthInside, perDrop, softStep, type BoxM, type FeatureKind, widened } from '../surface';

/** The upper part of a bay, from which insulation has sunk or was pushed away from the eaves: straight sides, a soft lower rim. */
export interface SlumpFeature extends BoxM {
  kind: 'slump';
  /** Drop of the temperature factor at the top, 0 … 1. */
  strength: number;
  /** Height of its lower rim as a share of its own; half of it where nothing is said. */
  rim?: number;
}

export const slump: FeatureKind<SlumpFeature> = {
  bounds: (feature) => widened(feature, 0.4 * feature.height + 0.1),
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    return (at, point) => {
      const beside = Math.min(at.x - feature.x, feature.x + feature.width - at.x);
      const below = feature.y + feature.height - at.y;
      const wavy = 0.06 * Math.sin(at.x * 9);
      const inside = softStep(beside, 0.03) * softStep(at.y - feature.y, 0.03);
      point.temperature += depth * inside * softStep(below + wavy, (feature.rim ?? 0.5) * feature.height);
      if (depthInside(feature, at) > 0) point.temperature += 0.1 * depth;
    };
  },
  fault: () => 'slumped-insulation',
};
