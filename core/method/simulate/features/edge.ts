import { levelAt, perDrop, paintOver, shade, type FeatureKind } from '../surface';

/**
 * Where the surface meets the next one: a smooth gradient, the geometric bridge of a corner or floor edge, colder inside. Outdoors
 * the corner of a house is colder too, because it has more air round it than room behind; eaves and plinth are warmer there.
 */
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

/** Share of a wall's own warmth outdoors that is missing at its corner, and how fast it comes back. */
const OUTER_DROP = 0.95;
const OUTER_DECAY_M = 0.21;

export const edge: FeatureKind<EdgeFeature> = {
  heat(feature, view) {
    const { perX, perY, from } = distanceFrom(feature, view.width, view.height);
    const corner = view.side === 'outside' && (feature.at === 'left' || feature.at === 'right');
    const depth = corner ? -OUTER_DROP * (levelAt(view, view.factor) - levelAt(view, 1)) : feature.strength * perDrop(view);
    const beyond = feature.at === 'floor' || corner ? 0 : -0.03 * perDrop(view);
    const decay = corner ? OUTER_DECAY_M : feature.reach / 2.3;
    // Seven decays on, a thousandth is left.
    const far = 7 * decay;
    return (at, point) => {
      const d = perX * at.x + perY * at.y + from;
      if (d > far) return;
      point.temperature += depth * Math.exp(-Math.abs(d) / decay);
      // The surface beyond the corner belongs to the inner structure and is warmer than the outer wall.
      if (d < 0) point.temperature += beyond;
    };
  },
  daylight(feature, view) {
    const { perX, perY, from } = distanceFrom(feature, view.width, view.height);
    return (at, colour) => {
      const d = perX * at.x + perY * at.y + from;
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

/** Distance from the corner, m, positive on the surface that is looked at: perX · x + perY · y + from. */
function distanceFrom({ at, inset }: EdgeFeature, width: number, height: number): { perX: number; perY: number; from: number } {
  switch (at) {
    case 'ceiling':
      return { perX: 0, perY: 1, from: -inset };
    case 'floor':
      return { perX: 0, perY: -1, from: height - inset };
    case 'left':
      return { perX: 1, perY: 0, from: -inset };
    case 'right':
      return { perX: -1, perY: 0, from: width - inset };
  }
}
