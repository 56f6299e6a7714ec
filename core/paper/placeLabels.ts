/** A rectangle in any unit, y down. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface LabelWish {
  /** What the label is about. */
  target: Box;
  width: number;
  height: number;
}

function overlap(a: Box, b: Box): number {
  const w = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const h = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  return w > 0 && h > 0 ? w * h : 0;
}

/**
 * Places labels beside their targets so that they stay inside the picture and avoid each other and other targets: the
 * first of above, below, right, left (each at two alignments) that collides least, one label after the other.
 *
 * @param gap - between target and label
 * @returns upper left corner of each label, in the order of the wishes
 */
export function placeLabels(wishes: readonly LabelWish[], picture: Box, gap: number): { x: number; y: number }[] {
  const placed: Box[] = [];
  return wishes.map(({ target, width, height }, number) => {
    const right = target.x + target.width;
    const bottom = target.y + target.height;
    const candidates = [
      [target.x, target.y - gap - height],
      [target.x, bottom + gap],
      [right - width, target.y - gap - height],
      [right - width, bottom + gap],
      [right + gap, target.y],
      [target.x - gap - width, target.y],
      [target.x + gap, target.y + gap],
    ].map(([x, y]) => ({
      x: Math.max(picture.x, Math.min(picture.x + picture.width - width, x!)),
      y: Math.max(picture.y, Math.min(picture.y + picture.height - height, y!)),
      width,
      height,
    }));
    let best = candidates[0]!;
    let least = Infinity;
    for (const [rank, candidate] of candidates.entries()) {
      const others = wishes.reduce((sum, wish, i) => sum + (i === number ? 0 : 0.4 * overlap(candidate, wish.target)), 0);
      const cost =
        placed.reduce((sum, box) => sum + 2 * overlap(candidate, box), 0) +
        others +
        0.6 * overlap(candidate, target) +
        rank * 1e-3;
      if (cost < least) {
        least = cost;
        best = candidate;
      }
    }
    placed.push(best);
    return { x: best.x, y: best.y };
  });
}
