import type { Measure } from './metric';
import { turnedPoint, type Turn } from './reshape';

/** What is known of sizes on a frame that was turned: the same places, named as they are seen now. */
export function measureAfterTurn(measure: Measure | null, width: number, height: number, turn: Turn): Measure | null {
  if (!measure) return null;
  const to = ([x, y]: readonly [number, number]) => turnedPoint(x, y, width, height, turn);
  if (measure.kind === 'length') return { ...measure, from: to(measure.from), to: to(measure.to) };
  const [a, b, c, d] = measure.corners.map(to) as [[number, number], [number, number], [number, number], [number, number]];
  const sides = { widthM: measure.widthM, heightM: measure.heightM };
  const across = { widthM: measure.heightM, heightM: measure.widthM };
  // Corners go on from the upper left, as they are seen now.
  switch (turn) {
    case 'left':
      return { kind: 'plane', corners: [b, c, d, a], ...across };
    case 'right':
      return { kind: 'plane', corners: [d, a, b, c], ...across };
    case 'half':
      return { kind: 'plane', corners: [c, d, a, b], ...sides };
    case 'mirror':
      return { kind: 'plane', corners: [b, a, d, c], ...sides };
  }
}

/** How a photo is shown after a turn of its frame: turns add up; after a mirroring they go the other way round. */
export function photoAfterTurn(
  { quarters, mirrored, width, height }: { quarters: number; mirrored: boolean; width: number; height: number },
  turn: Turn,
) {
  if (turn === 'mirror') return { quarters, mirrored: !mirrored, width, height };
  const by = { left: 3, right: 1, half: 2 }[turn] * (mirrored ? -1 : 1);
  const sides = turn === 'half' ? { width, height } : { width: height, height: width };
  return { quarters: (quarters + by + 4) % 4, mirrored, ...sides };
}
