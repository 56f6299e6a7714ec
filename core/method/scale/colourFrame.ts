import type { Span } from '../frame/region';
import type { RadianceLine } from '../radiometry/measurement';
import { storedAxis } from './axis';
import { colourAt, type ColourMapName, type Rgb } from './colourMaps';
import type { Scale } from './scale';

/** Fine enough that a step is below 1/256 of the colours even where settings bend the axis. */
const DIVISIONS = 1024;

/** Stripes for what lies beyond the colours, none of them in a map: cold ones lean left, warm ones right. */
const BEYOND: Record<'cold' | 'warm', readonly [Rgb, Rgb]> = {
  cold: [
    [52, 56, 70],
    [78, 84, 100],
  ],
  warm: [
    [92, 82, 98],
    [120, 110, 126],
  ],
};
const STRIPE_PERIOD = 7;
const NO_READING: Rgb = [128, 128, 128];
/** What is left out by hand is hatched both ways. */
const LEFT_OUT: readonly [Rgb, Rgb] = [
  [86, 78, 92],
  [112, 104, 118],
];
/** What a shade covers is dimmed by this share towards its own neutral. */
const SHADE: Rgb = [46, 34, 58];
const SHADE_SHARE = 0.62;

function packed([red, green, blue]: Rgb): number {
  return ((255 << 24) | (blue << 16) | (green << 8) | red) >>> 0;
}

const COLOURS = 256;
const packedMaps = new Map<ColourMapName, Uint32Array>();

function packedColours(name: ColourMapName): Uint32Array {
  let colours = packedMaps.get(name);
  if (!colours) {
    colours = Uint32Array.from({ length: COLOURS }, (_, i) => packed(colourAt(name, i / (COLOURS - 1))));
    packedMaps.set(name, colours);
  }
  return colours;
}

/**
 * Colours a frame: the one place where pictures get their colours, for the bench, thumbnails, report and command line.
 *
 * @param values - stored values, °C, row by row, NaN for no reading
 * @param width - of the frame, pixels
 * @param line - from stored values to object temperatures
 * @param scale - ends in object temperatures, °C
 * @param leftOut - pixels that were left out by hand, row by row: hatched, whatever they hold
 * @param out - receives one RGBA pixel each, packed little-endian (the bytes of canvas image data), opaque
 *
 * What lies beyond the ends is striped in neutral colours, what has no reading is flat grey. Linear in pixels, about
 * 2 ms for 640×480.
 */
export function colourFrame(
  values: Float32Array,
  width: number,
  line: RadianceLine,
  scale: Scale,
  out: Uint32Array,
  leftOut: readonly Span[] = [],
): void {
  const axis = storedAxis(line, scale.low, scale.high, DIVISIONS);
  const span = scale.high - scale.low;
  const colours = packedColours(scale.map);
  const table = new Uint32Array(DIVISIONS);
  for (let i = 0; i < DIVISIONS; i += 1) {
    const position = ((axis.objects[i]! - scale.low) / span) * (COLOURS - 1);
    const colour = colours[Math.max(0, Math.min(COLOURS - 1, Math.round(position)))]!;
    table[i] = isShaded(axis.objects[i]!, scale.shade) ? dimmed(colour) : colour;
  }
  const cold = stripes(BEYOND.cold, width, isShaded(scale.low, scale.shade));
  const warm = stripes(BEYOND.warm, width, isShaded(scale.high, scale.shade));
  const missing = packed(NO_READING);
  const { from, perKelvin } = axis;
  const height = values.length / width;
  for (let y = 0, i = 0; y < height; y += 1) {
    const lean = y % STRIPE_PERIOD;
    const leanBack = STRIPE_PERIOD - lean;
    for (let x = 0; x < width; x += 1, i += 1) {
      const place = (values[i]! - from) * perKelvin;
      if (place >= 0 && place < DIVISIONS) out[i] = table[place | 0]!;
      else if (place < 0) out[i] = cold[x + leanBack]!;
      else if (place >= DIVISIONS) out[i] = warm[x + lean]!;
      else out[i] = missing;
    }
  }
  hatch(leftOut, width, out);
}

function hatch(leftOut: readonly Span[], width: number, out: Uint32Array): void {
  const [dark, light] = LEFT_OUT.map(packed) as [number, number];
  for (const { y, from, to } of leftOut) {
    for (let x = from; x <= to; x += 1) {
      const crossed = (x + y) % STRIPE_PERIOD < 2 || (x - y + width * STRIPE_PERIOD) % STRIPE_PERIOD < 2;
      out[y * width + x] = crossed ? light : dark;
    }
  }
}

function isShaded(celsius: number, shade: Scale['shade']): boolean {
  if (!shade) return false;
  return shade.side === 'colder' ? celsius < shade.celsius : celsius > shade.celsius;
}

/** A packed colour under the shade. */
function dimmed(colour: number): number {
  const mix = (shift: number, towards: number) =>
    Math.round(((colour >>> shift) & 0xff) * (1 - SHADE_SHARE) + towards * SHADE_SHARE);
  return packed([mix(0, SHADE[0]), mix(8, SHADE[1]), mix(16, SHADE[2])]);
}

/** One row of stripes, a period longer than the picture, so that each row can begin somewhere else. */
function stripes([dark, light]: readonly [Rgb, Rgb], width: number, shaded: boolean): Uint32Array {
  const tones = [packed(dark), packed(light)].map((tone) => (shaded ? dimmed(tone) : tone));
  return Uint32Array.from({ length: width + STRIPE_PERIOD + 1 }, (_, x) => tones[x % STRIPE_PERIOD < 3 ? 1 : 0]!);
}
