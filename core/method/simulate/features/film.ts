import { dewPointFromHumidity } from '../../../ground/saturation';
import { blotch, depthInside, paintOver, shade, type BoxM, type FeatureKind } from '../surface';

/** Bare cold metal on which air condenses: below the dew point it is covered with drops, which emit where metal mirrors. */
export interface FilmFeature extends BoxM {
  kind: 'film';
  /** Of the metal, °C. */
  metalC: number;
}

export const film: FeatureKind<FilmFeature> = {
  bounds: (feature) => feature,
  heat(feature, view) {
    const dew = dewPointFromHumidity(view.insideC, Math.max(0.01, view.humidityPct / 100));
    const wet = feature.metalC < dew;
    return (at, point) => {
      if (depthInside(feature, at) < 0) return;
      point.temperature = feature.metalC + 0.4 * blotch(at, 0.05);
      point.emissivity = wet ? 0.8 + 0.16 * blotch(at, 0.03) : 0.25;
    };
  },
  daylight(feature) {
    return (at, colour) => {
      if (depthInside(feature, at) < 0) return;
      paintOver(colour, [176, 180, 184]);
      shade(colour, 0.9 + 0.15 * blotch(at, 0.03));
    };
  },
  fault: () => 'condensation',
};
