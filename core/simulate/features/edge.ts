import { perDrop, paintOver, shade, type FeatureKind } from '../surface';

/** Where the surface meets the next one: a smooth cold gradient, the geometric bridge of a corner or floor edge. */
export interface EdgeFeature {
  kind: 'edge';
  at: 'ceiling' | 'floor' | 'left' | 'right';
  /** How far within the surface's own box the other one begins, m; 0 puts the corner on its edge. */
  inset: number;
  /** Drop of the temperature factor in the corner, 0 … 1. */
  strength: number;
  /** How far the gradient reaches, m. */
  reach: number;
}

export const edge: FeatureKind<EdgeFeature> = {
  heat(feature, view) {
    const depth = feature.strength * perDrop(view);
    const distance = distanceFrom(feature, view.width, view.height);
    return (at, point) => {
      const d = distance(at.x, at.y);
      point.temperature += depth * Math.exp(-Math.abs(d) / (feature.reach / 2.3));
      // The surface beyond the corner belongs to the inner structure and is warmer than the outer wall.
      if (d < 0 && feature.at !== 'floor') point.temperature -= 0.03 * perDrop(view);
    };
  },
  daylight(feature, view) {
    const distance = distanceFrom(feature, view.width, view.height);
    return (at, colour) => {
      const d = distance(at.x, at.y);
      if (feature.at === 'floor') {
        if (d < 0) {
          paintOver(colour, [150, 112, 78]);
          if ((at.x * 6.3) % 1 < 0.04) shade(colour, 0.7);
        } else if (d < 0.1) {
          paintOver(colour, [232, 226, 214]);
          if (d > 0.09) shade(colour, 0.82);
        }
      } else {
        shade(colour, d < 0 ? (feature.at === 'ceiling' ? 1.07 : 0.93) : 1 - 0.1 * Math.exp(-d / 0.12));
      }
    };
  },
  /** A corner is always a little colder; beyond this it is a bridge to be stated. */
  fault: (feature) => (feature.strength > 0.15 ? 'thermal-bridge' : null),
};

/** Distance from the corner, m, positive on the surface that is looked at. */
function distanceFrom(feature: EdgeFeature, width: number, height: number): (x: number, y: number) => number {
  switch (feature.at) {
    case 'ceiling':
      return (_x, y) => y - feature.inset;
    case 'floor':
      return (_x, y) => height - feature.inset - y;
    case 'left':
      return (x) => x - feature.inset;
    case 'right':
      return (x) => width - feature.inset - x;
  }
}
