import { normalFrom, seededRandom } from '../../ground/random';
import { populationsOf } from './populations';

const noisy = (length: number, of: (i: number) => number, noise = 0.05) => {
  const normal = normalFrom(seededRandom(4));
  return Float32Array.from({ length }, (_, i) => of(i) + noise * normal());
};

test('a wall alone is one thing, however noisy', () => {
  expect(
    populationsOf(
      noisy(2000, () => 18),
      0.05,
    ),
  ).toBeNull();
  expect(
    populationsOf(
      noisy(2000, () => 18, 0.4),
      0.4,
    ),
  ).toBeNull();
});

test('an even slope is one thing', () => {
  expect(
    populationsOf(
      noisy(2000, (i) => 15 + (4 * i) / 2000),
      0.05,
    ),
  ).toBeNull();
});

test('object and background are two, with their shares', () => {
  const found = populationsOf(
    noisy(2000, (i) => (i % 5 === 0 ? 45 : 19)),
    0.05,
  )!;
  expect(found.colder.mean).toBeCloseTo(19, 1);
  expect(found.warmer.mean).toBeCloseTo(45, 1);
  expect(found.warmer.share).toBeCloseTo(0.2, 5);
});

test('a few stray pixels do not make a second thing', () => {
  expect(
    populationsOf(
      noisy(2000, (i) => (i < 40 ? 45 : 19)),
      0.05,
    ),
  ).toBeNull();
});

test('too few or no pixels say nothing', () => {
  expect(populationsOf(Float32Array.of(10, 30, 10, 30), 0.05)).toBeNull();
  expect(populationsOf(new Float32Array(100).fill(NaN), 0.05)).toBeNull();
});
