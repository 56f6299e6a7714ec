import type { ProfileLine } from './profiles';

/** Lines at an even distance, as studs, joists and rafters make them. */
export interface Framing {
  lines: ProfileLine[];
  /** From line to line, pixels. */
  spacing: number;
  /** Middle height of the lines, K, signed. */
  height: number;
}

const LEAST_LINES = 3;
/** A line may lie beside its place by this share of the distance. */
const OFF = 0.1;
/** Share of the places in view that must hold a line. */
const LEAST_HELD = 0.6;
/** Lines of one framing are alike: none is higher than the middle one by more than this. */
const ALIKE = 2.2;

/**
 * The even lines among those of a profile; null where there are fewer than three.
 *
 * @param length - of the profile, pixels
 */
export function framingOf(lines: readonly ProfileLine[], length: number): Framing | null {
  let best: Framing | null = null;
  let bestWorth = 0;
  for (const sign of [-1, 1]) {
    const alike = lines.filter(({ height, from, to }) => sign * height > 0 && to - from < 0.12 * length);
    for (let a = 0; a < alike.length; a += 1) {
      for (let b = a + 1; b < alike.length; b += 1) {
        for (const parts of [1, 2, 3]) {
          const spacing = (alike[b]!.at - alike[a]!.at) / parts;
          if (spacing < 6 || 2 * spacing > length) continue;
          const found = onGrid(alike, alike[a]!.at, spacing);
          const places = Math.floor((length - 1 - (alike[a]!.at % spacing)) / spacing) + 1;
          if (found.lines.length < LEAST_LINES || found.lines.length < LEAST_HELD * places) continue;
          const worth = found.lines.length - 0.4 * (places - found.lines.length);
          if (worth > bestWorth) [best, bestWorth] = [found, worth];
        }
      }
    }
  }
  return best;
}

function onGrid(lines: readonly ProfileLine[], origin: number, spacing: number): Framing {
  // One line a place: the nearest.
  const held = new Map<number, ProfileLine>();
  const away = ({ at }: ProfileLine) => Math.abs((at - origin) / spacing - Math.round((at - origin) / spacing));
  for (const line of lines) {
    if (away(line) > OFF) continue;
    const place = Math.round((line.at - origin) / spacing);
    const other = held.get(place);
    if (!other || away(line) < away(other)) held.set(place, line);
  }
  const near = [...held.values()];
  const heights = near.map(({ height }) => Math.abs(height)).sort((x, y) => x - y);
  const middle = heights[heights.length >> 1] ?? 0;
  const kept = near.filter(({ height }) => Math.abs(height) <= ALIKE * middle);
  // All are as wide as the middle one: what lies beside one of them is no part of it.
  const widths = kept.map(({ from, to }) => to - from).sort((x, y) => x - y);
  const reach = Math.ceil((widths[widths.length >> 1] ?? 0) / 2) + 1;
  const trimmed = kept.map((line) => ({
    ...line,
    from: Math.max(line.from, line.at - reach),
    to: Math.min(line.to, line.at + reach),
  }));
  return { lines: trimmed, spacing, height: Math.sign(kept[0]?.height ?? 1) * middle };
}
