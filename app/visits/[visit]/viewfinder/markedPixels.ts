/** A pixel and what it reads, °C. */
export interface Marked {
  x: number;
  y: number;
  celsius: number;
}

/** What the viewfinder writes on its picture. */
export interface MarkedPixels {
  coldest: Marked;
  hottest: Marked;
  /** Mean of the 3 × 3 pixels in the middle, °C. */
  centre: number;
  /** Ends of a stretched range, °C: all but the outermost half percent, so that one dead pixel decides nothing. */
  low: number;
  high: number;
  /** Median, °C. */
  middle: number;
}

const BINS = 512;

/**
 * Extremes, centre and range of a picture without gaps; one pass and a histogram. A pixel is no colder or hotter than one of its
 * neighbours allows, so that a dead one is not marked.
 */
export function markedPixels(values: Float32Array, width: number): MarkedPixels {
  let [coldest, hottest] = [0, 0];
  let [cold, hot] = [Infinity, -Infinity];
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i < values.length; i += 1) {
    const value = values[i]!;
    const [left, right] = [values[i > 0 ? i - 1 : 1]!, values[i + 1 < values.length ? i + 1 : i - 1]!];
    const [colder, warmer] = left < right ? [left, right] : [right, left];
    if (Math.max(value, colder) < cold) [cold, coldest] = [Math.max(value, colder), i];
    if (Math.min(value, warmer) > hot) [hot, hottest] = [Math.min(value, warmer), i];
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const at = (i: number): Marked => ({ x: i % width, y: Math.floor(i / width), celsius: values[i]! });
  const step = (high - low) / BINS || 1;
  const counts = new Uint32Array(BINS);
  for (const value of values) {
    const bin = Math.min(BINS - 1, Math.floor((value - low) / step));
    counts[bin] = counts[bin]! + 1;
  }
  const quantile = (share: number) => {
    let sum = 0;
    for (let bin = 0; bin < BINS; bin += 1) {
      sum += counts[bin]!;
      if (sum >= share * values.length) return low + (bin + 0.5) * step;
    }
    return high;
  };
  const [column, row] = [width >> 1, Math.floor(values.length / width / 2)];
  let sum = 0;
  for (let y = row - 1; y <= row + 1; y += 1) for (let x = column - 1; x <= column + 1; x += 1) sum += values[y * width + x]!;
  return {
    coldest: at(coldest),
    hottest: at(hottest),
    centre: sum / 9,
    low: quantile(0.005),
    high: quantile(0.995),
    middle: quantile(0.5),
  };
}
