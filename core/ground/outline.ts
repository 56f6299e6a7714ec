import type { Point } from './point';

/** Which side of the line through a and b a point lies on: positive, negative or 0 on it. */
function side(a: Point, b: Point, c: Point): number {
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
}

/** Whether an outline, closed from its last corner to its first, crosses itself: then it has no area. Corners may touch. */
export function crossesItself(corners: readonly Point[]): boolean {
  const edge = (i: number) => [corners[i]!, corners[(i + 1) % corners.length]!] as const;
  for (let i = 0; i < corners.length; i += 1) {
    const [a, b] = edge(i);
    for (let k = i + 1; k < corners.length; k += 1) {
      const [c, d] = edge(k);
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return true;
    }
  }
  return false;
}
