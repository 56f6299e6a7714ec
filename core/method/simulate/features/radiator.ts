import { waveMean } from '../patternMeans';
import { depthInside, paintOver, shade, type BoxM, type FeatureKind } from '../surface';

/** A panel radiator on the wall, and the warm air that rises above it. */
export interface RadiatorFeature extends BoxM {
  kind: 'radiator';
  flowC: number;
  returnC: number;
}

/** From rib to rib. */
const RIB_M = 0.05;

export const radiator: FeatureKind<RadiatorFeature> = {
  heat(feature, view) {
    const mean = (feature.flowC + feature.returnC) / 2;
    return (at, point) => {
      if (depthInside(feature, at) >= 0) {
        const down = (at.y - feature.y) / feature.height;
        const ribs = 0.6 * waveMean(at.x - feature.x, at.wide, RIB_M);
        point.temperature = feature.flowC + (feature.returnC - feature.flowC) * down + ribs - 1.5;
        point.emissivity = 0.94;
        return;
      }
      if (at.y < feature.y) {
        const rise = feature.y - at.y;
        const sideways = Math.max(0, feature.x - at.x, at.x - feature.x - feature.width) / 0.12;
        if (sideways > 3) return;
        point.temperature += 0.16 * (mean - view.insideC) * Math.exp(-rise / 0.35) * Math.exp(-sideways * sideways);
      }
    };
  },
  daylight(feature) {
    return (at, colour) => {
      const depth = depthInside(feature, at);
      if (depth < 0) return;
      paintOver(colour, [236, 235, 231]);
      const rib = ((at.x - feature.x) * 20) % 1;
      shade(colour, depth < 0.012 ? 0.8 : 0.9 + 0.1 * Math.abs(Math.sin(rib * Math.PI)));
    };
  },
};
