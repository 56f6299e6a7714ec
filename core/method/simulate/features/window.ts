import { depthInside, levelAt, perDrop, paintOver, shade, type BoxM, type FeatureKind, widened } from '../surface';

/** A window: a frame, a middle post, panes that mirror the room and whoever stands in it. */
export interface WindowFeature extends BoxM {
  kind: 'window';
  /** Temperature factor in the middle of a pane, 0 … 1; the edges are colder by the spacer. */
  paneFactor: number;
  /** The pane that has lost its filling, if one has. */
  failed?: 'left' | 'right';
}

const FRAME = 0.06;
const PANE_EMISSIVITY = 0.85;

export const window: FeatureKind<WindowFeature> = {
  bounds: (feature) => widened(feature, 0.3),
  heat(feature, view) {
    const span = perDrop(view);
    const middle = feature.x + feature.width / 2;
    return (at, point) => {
      const depth = depthInside(feature, at);
      if (depth < 0) {
        // The reveal is a little colder than the wall, fading over some 10 cm.
        if (depth > -0.3) point.temperature += 0.05 * span * Math.exp(depth / 0.06);
        return;
      }
      const post = Math.abs(at.x - middle);
      if (depth < FRAME || post < FRAME / 2) {
        point.temperature = levelAt(view, feature.paneFactor + 0.09);
        return;
      }
      const fromEdge = Math.min(depth - FRAME, post - FRAME / 2);
      const failed = feature.failed === (at.x < middle ? 'left' : 'right') ? 0.12 : 0;
      point.temperature =
        levelAt(view, feature.paneFactor - failed - 0.1 * Math.exp(-fromEdge / 0.035)) +
        0.5 * (feature.y + feature.height / 2 - at.y);
      point.emissivity = PANE_EMISSIVITY;
    };
  },
  daylight(feature) {
    const middle = feature.x + feature.width / 2;
    return (at, colour) => {
      const depth = depthInside(feature, at);
      if (depth < 0) {
        if (depth > -0.05 && at.y > feature.y + feature.height) paintOver(colour, [226, 219, 206]);
        return;
      }
      const post = Math.abs(at.x - middle);
      if (depth < FRAME || post < FRAME / 2) {
        paintOver(colour, [238, 234, 226]);
        if (depth < 0.008 || Math.abs(depth - FRAME) < 0.006) shade(colour, 0.8);
        return;
      }
      const down = (at.y - feature.y) / feature.height;
      paintOver(colour, [196 - 26 * down, 214 - 22 * down, 226 - 34 * down]);
      // Roofs over the way, so that the pane reads as a view.
      const roofs = 0.72 + 0.06 * Math.abs(((at.x * 3.1) % 1) - 0.5);
      if (down > roofs) paintOver(colour, [128, 104, 96]);
    };
  },
  fault: (feature) => (feature.failed ? 'glazing' : null),
};
