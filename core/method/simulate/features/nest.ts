import { around, type FeatureKind } from '../surface';

/** Insects or animals in timber or a cavity: a few small warm spots, tied to nothing. */
export interface NestFeature {
  kind: 'nest';
  x: number;
  y: number;
  /** How much warmer than the lining, K. */
  warmK: number;
}

/** Spots beside the main one: place, m, and share of its warmth. */
const SPOTS = [
  [0, 0, 1],
  [0.09, 0.04, 0.6],
  [-0.05, 0.1, 0.45],
  [0.03, -0.12, 0.35],
] as const;

export const nest: FeatureKind<NestFeature> = {
  bounds: (feature) => around(feature, 0.3),
  heat(feature) {
    return (at, point) => {
      for (const [dx, dy, share] of SPOTS) {
        const away = Math.hypot(at.x - feature.x - dx, at.y - feature.y - dy) / 0.035;
        if (away < 4) point.temperature += feature.warmK * share * Math.exp(-away * away);
      }
    };
  },
  fault: () => 'insects',
};
