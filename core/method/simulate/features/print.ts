import { around, blotch, type FeatureKind } from '../surface';

/** Warmth that a hand, a back or a seat left on the surface: soft, with nothing behind it, gone within minutes. */
export interface PrintFeature {
  kind: 'print';
  x: number;
  y: number;
  radius: number;
  /** How much warmer than the surface in its middle, K. */
  warmK: number;
}

export const print: FeatureKind<PrintFeature> = {
  bounds: (feature) => around(feature, 2 * feature.radius),
  heat(feature) {
    return (at, point) => {
      const away = Math.hypot(at.x - feature.x, (at.y - feature.y) / 1.3) / (feature.radius * (0.8 + 0.4 * blotch(at, 0.3)));
      if (away < 2) point.temperature += feature.warmK * Math.exp(-(away ** 4));
    };
  },
  fault: () => 'leftover-warmth',
};
