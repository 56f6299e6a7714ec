import { shade, softStep, type FeatureKind } from '../surface';

/** Warmth that the sun left: all of a façade, or as far as a shadow let it come. */
export interface SunFeature {
  kind: 'sun';
  /** Where the shadow ended, m from the left; left of it the sun was. */
  until: number;
  /** Share of what the sun leaves on such a face that hour, 0 … 1. */
  share: number;
}

export const sun: FeatureKind<SunFeature> = {
  heat(feature, view) {
    const warmth = feature.share * view.sunK;
    return (at, point) => {
      point.temperature += warmth * softStep(feature.until - at.x, 0.5);
    };
  },
  daylight(feature) {
    return (at, colour) => shade(colour, 0.93 + 0.07 * softStep(feature.until - at.x, 0.2));
  },
  fault: () => 'sun',
};
