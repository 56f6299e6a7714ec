import { depthInside, paintOver, softStep, type BoxM, type FeatureKind } from '../surface';

/** A roof under snow that has melted over a warm place. The box is where the roof shows. */
export interface SnowFeature extends BoxM {
  kind: 'snow';
  /** How much warmer the bare place is than the snow, K. */
  warmK: number;
}

/** Snow takes the cold of the sky and never gets above freezing. */
const BELOW_AIR_K = 3;

export const snow: FeatureKind<SnowFeature> = {
  heat(feature, view) {
    const snowC = Math.min(0, view.outsideC - BELOW_AIR_K);
    return (at, point) => {
      const open = softStep(depthInside(feature, at) + 0.05 * Math.sin(9 * at.x + 7 * at.y), 0.15);
      point.temperature = snowC + feature.warmK * open;
      point.emissivity = open > 0.5 ? 0.92 : 0.98;
    };
  },
  daylight(feature) {
    return (at, colour) => {
      const open = softStep(depthInside(feature, at) + 0.05 * Math.sin(9 * at.x + 7 * at.y), 0.15);
      paintOver(colour, open > 0.5 ? [120, 84, 70] : [246, 248, 252]);
    };
  },
  fault: () => 'missing-insulation',
};
