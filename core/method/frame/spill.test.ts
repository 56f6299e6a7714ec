import { normalFrom, seededRandom } from '../../ground/random';
import type { Span } from './region';
import { spillOf } from './spill';

const SIZE = 48;
const BLUR = 0.7;

/** How much of each pixel a target covers that is `side` wide and `off` aside. */
const cover = (side: number, off: number) =>
  Array.from({ length: SIZE }, (_, i) =>
    Math.min(1, Math.max(0, Math.min(i + 0.5, 24 + off + side / 2) - Math.max(i - 0.5, 24 + off - side / 2))),
  );

function blurred(line: number[]): number[] {
  const weights = Array.from({ length: 13 }, (_, k) => Math.exp(-((k - 6) ** 2) / (2 * BLUR ** 2)));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return line.map((_, i) => weights.reduce((sum, weight, k) => sum + (weight / total) * (line[i + k - 6] ?? 0), 0));
}

/** A square target of 1 K on nothing, seen through optics that blur. */
function target(side: number, off = 0): Float32Array {
  const line = blurred(cover(side, off));
  return Float32Array.from({ length: SIZE * SIZE }, (_, i) => line[i % SIZE]! * line[Math.floor(i / SIZE)]!);
}

const square = (side: number): Span[] => {
  const from = 24 - (side >> 1);
  return Array.from({ length: side }, (_, k) => ({ y: from + k, from, to: from + side - 1 }));
};
const meanOf = (values: Float32Array, spans: readonly Span[]) => {
  const all = spans.flatMap(({ y, from, to }) => [...values.subarray(y * SIZE + from, y * SIZE + to + 1)]);
  return all.reduce((sum, value) => sum + value, 0) / all.length;
};

test.each([3, 5, 7, 9])('of a target of %i pixels it is what its mean lacks', (side) => {
  const values = target(side);
  const spans = square(side);
  const lacks = 1 - meanOf(values, spans);
  expect(lacks).toBeGreaterThan(0.05);
  expect(Math.abs(spillOf(values, SIZE, SIZE, spans, BLUR) - lacks)).toBeLessThan(0.03);
});

test('a spot well inside of its target loses nothing, and nor does an even frame', () => {
  expect(Math.abs(spillOf(target(11), SIZE, SIZE, square(3), BLUR))).toBeLessThan(0.01);
  expect(spillOf(new Float32Array(SIZE * SIZE).fill(20), SIZE, SIZE, square(3), BLUR)).toBeCloseTo(0, 9);
});

test('a colder target loses with the other sign', () => {
  const values = target(3).map((value) => -value);
  expect(spillOf(values, SIZE, SIZE, square(3), BLUR)).toBeLessThan(-0.2);
});

test('noise makes little of it', () => {
  const normal = normalFrom(seededRandom(9));
  const found = Array.from({ length: 60 }, () =>
    spillOf(
      Float32Array.from({ length: SIZE * SIZE }, () => 0.05 * normal()),
      SIZE,
      SIZE,
      square(3),
      BLUR,
    ),
  );
  expect(Math.sqrt(found.reduce((sum, value) => sum + value * value, 0) / found.length)).toBeLessThan(0.05);
});

test('at the edge of the frame, with pixels that have no reading, without blur, for none and for large regions', () => {
  const values = target(5);
  values[24 * SIZE + 21] = NaN;
  expect(Number.isFinite(spillOf(values, SIZE, SIZE, square(5), BLUR))).toBe(true);
  expect(Math.abs(spillOf(values, SIZE, SIZE, [{ y: 0, from: 0, to: 3 }], BLUR))).toBeLessThan(1e-6);
  expect(spillOf(values, SIZE, SIZE, square(5), 0)).toBe(0);
  expect(spillOf(values, SIZE, SIZE, [], BLUR)).toBe(0);
  expect(spillOf(values, SIZE, SIZE, square(40), BLUR)).toBe(0);
});
