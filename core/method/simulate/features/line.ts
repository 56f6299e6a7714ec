import { perDrop, type FeatureKind, type PointM } from '../surface';

/** Something long behind the lining: a brace (a normal bridge), a pipe, a cable under load. */
export interface LineFeature {
  kind: 'line';
  what: 'brace' | 'hot-pipe' | 'cold-pipe' | 'cable';
  /** Its way, m; at least two points. */
  points: readonly PointM[];
  /** How wide its warmth spreads on the lining, m. */
  spread: number;
  /** Change on the line: K for pipes and cables, drop of the temperature factor for a brace. */
  strength: number;
}

function distanceToSegment(at: PointM, a: PointM, b: PointM): number {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const along = Math.max(0, Math.min(1, ((at.x - a.x) * dx + (at.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(at.x - a.x - along * dx, at.y - a.y - along * dy);
}

export const line: FeatureKind<LineFeature> = {
  heat(feature, view) {
    const { what, points, spread, strength } = feature;
    const change = what === 'brace' ? strength * perDrop(view) : what === 'cold-pipe' ? -strength : strength;
    return (at, point) => {
      let nearest = Infinity;
      for (let i = 1; i < points.length; i += 1) nearest = Math.min(nearest, distanceToSegment(at, points[i - 1]!, points[i]!));
      if (nearest > 4 * spread) return;
      point.temperature +=
        what === 'brace' ? change * Math.exp(-((nearest / spread) ** 2)) : change * Math.exp(-nearest / spread);
    };
  },
  fault: (feature) => (feature.what === 'brace' ? null : feature.what),
};
