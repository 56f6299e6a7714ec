import { airChange } from '../airflow';
import { depthInside, perDrop, paintOver, shade, softStep, type BoxM, type FeatureKind, widened } from '../surface';

/** A thing of its own temperature on the surface: a loft hatch, a picture, a boarded-up opening. */
export interface PanelFeature extends BoxM {
  kind: 'panel';
  look: 'hatch' | 'picture' | 'boards';
  /** Change of the temperature factor inside; negative is colder on the inner side. */
  change: number;
  /** Extra drop along the rim, where air comes in; 0 when it is tight. */
  rim: number;
}

const COLOURS: Record<PanelFeature['look'], readonly [number, number, number]> = {
  hatch: [241, 238, 230],
  picture: [92, 108, 96],
  boards: [186, 152, 110],
};

/** Round a wide lid cold air falls while warm air rises, whatever presses. */
const BOTH_WAYS = 0.4;

export const panel: FeatureKind<PanelFeature> = {
  bounds: (feature) => widened(feature, 0.25),
  heat(feature, view) {
    const span = perDrop(view);
    const draught = airChange(view, feature.y + feature.height / 2, feature.rim, BOTH_WAYS);
    return (at, point) => {
      const depth = depthInside(feature, at);
      point.temperature -= feature.change * span * softStep(depth, 0.02);
      if (feature.rim > 0) {
        const along = 1 + 0.35 * Math.sin(at.x * 17 + at.y * 23);
        point.temperature += draught * along * Math.exp(-Math.abs(depth) / 0.03);
      }
    };
  },
  daylight(feature) {
    return (at, colour) => {
      const depth = depthInside(feature, at);
      if (depth < 0) return;
      paintOver(colour, COLOURS[feature.look]);
      if (feature.look === 'picture' && depth < 0.03) paintOver(colour, [70, 52, 38]);
      if (feature.look === 'boards' && (at.y * 9) % 1 < 0.06) shade(colour, 0.75);
      if (depth < 0.008) shade(colour, 0.6);
    };
  },
  fault: (feature) => (feature.rim > 0 ? 'air-leak' : feature.look === 'boards' ? 'missing-insulation' : null),
};
