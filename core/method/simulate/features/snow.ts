import { depthInside, levelAt, paintOver, softStep, type BoxM, type FeatureKind, type View } from '../surface';

/** A roof with a place that has lost its insulation, and, when it is cold enough, snow on it that melts over such places. */
export interface SnowFeature extends BoxM {
  kind: 'snow';
  /** Drop of the temperature factor where insulation is missing, 0 … 1. */
  strength: number;
}

/** Above this no snow lies, °C. */
const LIES_BELOW_C = 1;
/** Seven centimetres of it, and the films of ISO 6946, m²K/W. */
const SNOW_R = 0.7;
const OUTER_R = 0.04;
const INNER_R = 0.13;

/** Whether snow melts from below on a roof whose inner side has this temperature factor. */
function melts({ insideC, outsideC }: View, factor: number): boolean {
  const through = INNER_R / Math.max(1e-3, 1 - factor);
  return outsideC + ((insideC - outsideC) * (SNOW_R + OUTER_R)) / (through + SNOW_R) > 0;
}

export const snow: FeatureKind<SnowFeature> = {
  heat(feature, view) {
    const lies = view.outsideC <= LIES_BELOW_C && !melts(view, view.factor);
    const open = lies && melts(view, view.factor - feature.strength);
    const snowC = Math.min(0, view.outsideC - view.skyK);
    const bareC = levelAt(view, view.factor - feature.strength);
    return (at, point) => {
      const share = softStep(depthInside(feature, at) + 0.05 * Math.sin(9 * at.x + 7 * at.y), 0.15);
      const bare = lies && !open ? 0 : share;
      const beside = lies ? snowC : point.temperature;
      point.temperature = beside + (bareC - beside) * bare;
      if (lies) point.emissivity = bare > 0.5 ? 0.92 : 0.98;
    };
  },
  daylight(feature, view) {
    if (view.outsideC > LIES_BELOW_C || melts(view, view.factor)) return () => undefined;
    const open = melts(view, view.factor - feature.strength);
    return (at, colour) => {
      const share = softStep(depthInside(feature, at) + 0.05 * Math.sin(9 * at.x + 7 * at.y), 0.15);
      paintOver(colour, open && share > 0.5 ? [120, 84, 70] : [246, 248, 252]);
    };
  },
  fault: () => 'missing-insulation',
};
