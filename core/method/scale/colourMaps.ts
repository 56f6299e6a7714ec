export type Rgb = readonly [red: number, green: number, blue: number];

interface ColourMap {
  /** What it looks like, for people. */
  label: string;
  /** Diverging maps are lightest in the middle; the others rise or fall in lightness all the way. */
  kind: 'rising' | 'falling' | 'diverging';
  stops: readonly (readonly [position: number, colour: Rgb])[];
}

/** Our own stops, blended in sRGB. A test holds their lightness (CIE L*) monotone. */
export const COLOUR_MAPS = {
  hearth: {
    label: 'Petrol to cream',
    kind: 'rising',
    stops: [
      [0, [6, 22, 33]],
      [0.2, [12, 55, 72]],
      [0.4, [44, 92, 84]],
      [0.58, [116, 124, 68]],
      [0.74, [206, 140, 60]],
      [0.88, [250, 188, 124]],
      [1, [255, 247, 230]],
    ],
  },
  harbour: {
    label: 'Slate to straw (colour-blind safe)',
    kind: 'rising',
    stops: [
      [0, [18, 26, 58]],
      [0.3, [58, 74, 112]],
      [0.55, [112, 118, 124]],
      [0.8, [184, 168, 104]],
      [1, [250, 232, 150]],
    ],
  },
  ash: {
    label: 'Grey, warm is light',
    kind: 'rising',
    stops: [
      [0, [14, 13, 16]],
      [1, [248, 246, 243]],
    ],
  },
  soot: {
    label: 'Grey, warm is dark',
    kind: 'falling',
    stops: [
      [0, [248, 246, 243]],
      [1, [14, 13, 16]],
    ],
  },
  balance: {
    label: 'Teal, paper, clay (around the reference)',
    kind: 'diverging',
    stops: [
      [0, [8, 58, 74]],
      [0.25, [62, 132, 142]],
      [0.5, [246, 241, 232]],
      [0.75, [206, 128, 88]],
      [1, [104, 38, 30]],
    ],
  },
} as const satisfies Record<string, ColourMap>;

export type ColourMapName = keyof typeof COLOUR_MAPS;

export const COLOUR_MAP_NAMES = Object.keys(COLOUR_MAPS) as ColourMapName[];

export const DEFAULT_COLOUR_MAP: ColourMapName = 'hearth';

/** Colour at a position, 0 (cold) … 1 (warm); positions outside are held at the ends. */
export function colourAt(name: ColourMapName, position: number): Rgb {
  const stops: ColourMap['stops'] = COLOUR_MAPS[name].stops;
  const t = Math.max(0, Math.min(1, position));
  let upper = 1;
  while (upper < stops.length - 1 && stops[upper]![0] < t) upper += 1;
  const [from, low] = stops[upper - 1]!;
  const [to, high] = stops[upper]!;
  const share = (t - from) / (to - from);
  return [0, 1, 2].map((channel) => Math.round(low[channel]! + (high[channel]! - low[channel]!) * share)) as unknown as Rgb;
}

/** CIE L* (0 … 100, D65) of an sRGB colour. */
export function lightness([red, green, blue]: Rgb): number {
  const linear = (channel: number) => {
    const c = channel / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  const y = 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);
  return y > 216 / 24389 ? 116 * Math.cbrt(y) - 16 : (y * 24389) / 27;
}
