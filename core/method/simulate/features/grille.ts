import { waveMean } from '../patternMeans';
import { drive, paintOver, shade, widened, depthInside, type BoxM, type FeatureKind } from '../surface';

/** An opening that is meant: an extract, a dryer's outlet, an air brick; air comes out of it and washes the wall above. */
export interface GrilleFeature extends BoxM {
  kind: 'grille';
  /** Of the air that comes through it, as a share of the way from outside to inside, 0 … 1. */
  air: number;
}

const LOUVRE_M = 0.02;

export const grille: FeatureKind<GrilleFeature> = {
  bounds: (feature) => widened(feature, 4 * feature.height),
  heat(feature, view) {
    const airC = view.outsideC + feature.air * drive(view);
    const middle = feature.x + feature.width / 2;
    return (at, point) => {
      if (depthInside(feature, at) >= 0) {
        point.temperature = airC + 0.15 * (airC - point.temperature) * waveMean(at.y, at.high, LOUVRE_M);
        return;
      }
      const up = feature.y - at.y;
      if (up < 0) return;
      const across = (at.x - middle) / (0.5 * feature.width + 0.25 * up);
      point.temperature += 0.35 * (airC - point.temperature) * Math.exp(-(across ** 4)) * Math.exp(-up / (1.4 * feature.height));
    };
  },
  daylight(feature) {
    return (at, colour) => {
      if (depthInside(feature, at) < 0) return;
      paintOver(colour, [150, 96, 78]);
      if ((at.y / LOUVRE_M) % 1 < 0.5) shade(colour, 0.5);
    };
  },
  fault: () => 'intended-opening',
};
