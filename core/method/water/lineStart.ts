import type { Series } from './series';
import { lineSource, type Known, type Source } from './source';

/** Some of the water may creep back from the leak, so far, in λ: each as likely as the other. */
const BACKS = [0, 0.75, 1.5, 2.25, 3];
/** A model of floors is not so right that each of its sums of squares counts in full. */
const TEMPER = 2;

/**
 * Where along a line the water comes out: both ends of what is warm are seen well, but not how much of it lies behind the leak. So
 * the line is sought for each length that may, and these are weighed by what they leave over.
 *
 * @param found - the line as it was found
 * @returns the place, and the standard uncertainty of each of its coordinates, pixels
 */
export function lineStart(series: Series, found: Source, known: Known): Pick<Source, 'x' | 'y' | 'u' | 'direction' | 'length'> {
  const fitted = BACKS.map((back) => {
    const change = back * known.lambda - Math.abs(found.values[9]!);
    const start = found.values.slice();
    start[0]! += change * Math.cos(found.direction);
    start[1]! += change * Math.sin(found.direction);
    start[7] = Math.log(Math.max(2, found.length - change));
    start[9] = back * known.lambda;
    const { x, y, direction, length } = found;
    return lineSource(series, { at: [x, y], direction, length }, known, start, back * known.lambda);
  });
  const least = Math.min(...fitted.map(({ cost }) => cost));
  const weights = fitted.map(({ cost }) => Math.exp((least - cost) / (2 * TEMPER)));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = (of: (source: Source) => number) => fitted.reduce((sum, source, i) => sum + (weights[i]! / all) * of(source), 0);
  const [x, y] = [mean((one) => one.x), mean((one) => one.y)];
  const apart = mean((one) => one.u ** 2 + ((one.x - x) ** 2 + (one.y - y) ** 2) / 2);
  const likeliest = fitted[weights.indexOf(Math.max(...weights))]!;
  const end = [
    likeliest.x + likeliest.length * Math.cos(likeliest.direction),
    likeliest.y + likeliest.length * Math.sin(likeliest.direction),
  ] as const;
  return {
    x,
    y,
    u: Math.sqrt(apart),
    direction: Math.atan2(end[1] - y, end[0] - x),
    length: Math.hypot(end[0] - x, end[1] - y),
  };
}
