import { maskOf } from '../frame/region';
import { IDENTITY_LINE } from '../radiometry/measurement';
import { normalFrom, seededRandom } from '../../ground/random';
import { ownRange } from './ownRange';

const WIDTH = 160;
const HEIGHT = 120;

/** A wall from 17 to 20 °C with things on it. */
function wall(thing: (x: number, y: number) => number | null) {
  const normal = normalFrom(seededRandom(8));
  return Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
    const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
    return thing(x, y) ?? 17 + (3 * x) / WIDTH + 0.05 * normal();
  });
}

test('a wall alone fills its colours, and nothing is left out', () => {
  const range = ownRange(
    wall(() => null),
    IDENTITY_LINE,
  );
  expect(range.low).toBeCloseTo(17, 0);
  expect(range.high).toBeCloseTo(20, 0);
  expect(range).toMatchObject({ colderThan: null, warmerThan: null });
});

test('a radiator is left out by itself, and said', () => {
  const range = ownRange(
    wall((x, y) => (x < 60 && y > 80 ? 48 : null)),
    IDENTITY_LINE,
  );
  expect(range.high).toBeLessThan(21);
  expect(range.warmerThan!.celsius).toBeGreaterThan(21);
  expect(range.warmerThan!.celsius).toBeLessThan(40);
  expect(range.warmerThan!.share).toBeCloseTo((60 * 39) / (WIDTH * HEIGHT), 2);
});

test('sky is left out, outdoors even where it fills half of the picture', () => {
  const sky = wall((_x, y) => (y < 60 ? -28 : null));
  expect(ownRange(sky, IDENTITY_LINE, null, 2).low).toBeGreaterThan(16);
  expect(ownRange(sky, IDENTITY_LINE, null, 2).colderThan!.share).toBeCloseTo(0.5, 2);
  const little = wall((_x, y) => (y < 20 ? -28 : null));
  expect(ownRange(little, IDENTITY_LINE).low).toBeGreaterThan(16);
});

test('a cold patch on a wall is what is looked for, and stays in', () => {
  const range = ownRange(
    wall((x, y) => (x > 100 && x < 130 && y > 40 && y < 70 ? 12 : null)),
    IDENTITY_LINE,
  );
  expect(range.low).toBeLessThan(13);
  expect(range.colderThan).toBeNull();
});

test('what was left out by hand does not count', () => {
  const values = wall((x, y) => (x > 100 && x < 130 && y > 40 && y < 70 ? 12 : null));
  const mask = maskOf([{ kind: 'box', x: 99, y: 39, width: 33, height: 33 }], WIDTH, HEIGHT);
  expect(ownRange(values, IDENTITY_LINE, mask).low).toBeGreaterThan(16);
});

test('a frame of one value, and one without any, still have two ends', () => {
  expect(ownRange(new Float32Array(100).fill(18), IDENTITY_LINE)).toMatchObject({ low: 17.5, high: 18.5 });
  expect(ownRange(new Float32Array(100).fill(NaN), IDENTITY_LINE)).toMatchObject({ low: 0, high: 1 });
});
