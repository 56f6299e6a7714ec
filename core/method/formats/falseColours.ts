/** Colours are told apart in steps of sixteenths. */
const LEVELS = 16;
/** So many colours make up most of a coloured picture; a photo needs many more. */
const MOST_COLOURS = 110;
const MOST_OF_IT = 0.95;
/** Scales of colours have cool and warm hues; a wall in lamplight has warm ones only. */
const LEAST_HUE = 0.03;
const HUE_FROM = 24;
/** Mean distance between the strongest and the weakest channel; grey photos have none, coloured frames a lot. */
const LEAST_SATURATION = 0.12;

/**
 * Whether a picture looks like temperatures in false colours rather than like daylight: saturated, and nearly all of it on
 * a few colours of one run, as a scale has them. A guess, to be changed by a person.
 *
 * @param rgb - three bytes a pixel, a small version (about 100 pixels a side) of the picture
 */
export function looksFalseColoured(rgb: Uint8Array): boolean {
  const counts = new Map<number, number>();
  let saturation = 0;
  let cool = 0;
  let warm = 0;
  const pixels = Math.floor(rgb.length / 3);
  if (pixels < 64) return false;
  for (let i = 0; i < pixels; i += 1) {
    const [r, g, b] = [rgb[3 * i]!, rgb[3 * i + 1]!, rgb[3 * i + 2]!];
    saturation += (Math.max(r, g, b) - Math.min(r, g, b)) / 255;
    if (b > r + HUE_FROM) cool += 1;
    else if (r > b + HUE_FROM) warm += 1;
    const key = ((r >> 4) * LEVELS + (g >> 4)) * LEVELS + (b >> 4);
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  if (saturation / pixels < LEAST_SATURATION || Math.min(cool, warm) < LEAST_HUE * pixels) return false;
  const sorted = [...counts.values()].sort((a, b) => b - a);
  let seen = 0;
  let colours = 0;
  while (seen < MOST_OF_IT * pixels) seen += sorted[colours++]!;
  return colours <= MOST_COLOURS;
}
