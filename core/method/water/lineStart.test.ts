import { normalFrom, seededRandom } from '../../ground/random';
import { unsteady } from './growth';
import { lineStart } from './lineStart';
import type { Series } from './series';
import { lineSource, type Known } from './source';
import { line, shownBy, type Floor } from './spots';

const FLOOR: Floor = { lambda: 4, D: 700, flat: 0.93 };
const KNOWN: Known = { lambda: 4, D: 700, on: 100, onU: 15, begin: 100, sign: 1, coverKnown: true };
const TIMES = Array.from({ length: 12 }, (_, i) => 60 + 120 * i);
const START = [45, 40] as const;

/** A line of 36 pixels from START, of which some creeps back. */
function seriesOf(back: number, noise: number, seed: number): Series {
  const normal = normalFrom(seededRandom(seed));
  const xs: number[] = [];
  const ys: number[] = [];
  for (let y = 2; y < 90; y += 4)
    for (let x = 2; x < 120; x += 4) {
      xs.push(x);
      ys.push(y);
    }
  const all = new Float64Array(xs.length * TIMES.length).fill(noise);
  const empty: Series = {
    xs: Float32Array.from(xs),
    ys: Float32Array.from(ys),
    times: TIMES,
    courses: all,
    matrix: unsteady(TIMES, noise),
    spreads: all,
    sharp: all,
  };
  const shown = shownBy(empty, START, FLOOR, line(100, 0.2, 36, back, 0.17, FLOOR.lambda));
  return { ...empty, courses: shown.map((value) => 0.3 * value + noise * normal()) };
}

function startOf(back: number, noise: number, seed = 1) {
  const series = seriesOf(back, noise, seed);
  const found = lineSource(series, { at: [43, 40], direction: 0.1, length: 36 }, KNOWN);
  return { ...lineStart(series, found, KNOWN), found };
}

const off = ({ x, y }: { x: number; y: number }) => Math.hypot(x - START[0], y - START[1]);

describe('where along a line water comes out', () => {
  test.each([0, 4, 8, 12])('is told from how much lies behind it, %s pixels', (back) => {
    const start = startOf(back, 0.001);
    expect(off(start)).toBeLessThan(2);
    expect(Math.cos(start.direction - 0.2)).toBeGreaterThan(0.995);
  });

  test('more noise leaves it open, and says so', () => {
    const [clear, noisy] = [startOf(8, 0.002), startOf(8, 0.05)];
    expect(noisy.u).toBeGreaterThan(1.5 * clear.u);
    const held = [1, 2, 3, 4, 5, 6].map((seed) => startOf(8, 0.05, seed)).filter((one) => off(one) < 2.5 * one.u + 1);
    expect(held.length).toBeGreaterThanOrEqual(5);
  });

  test('its far end stays', () => {
    const { x, y, direction, length } = startOf(8, 0.02);
    const end = [START[0] + 36 * Math.cos(0.2), START[1] + 36 * Math.sin(0.2)] as const;
    expect(Math.hypot(x + length * Math.cos(direction) - end[0], y + length * Math.sin(direction) - end[1])).toBeLessThan(3);
  });
});
