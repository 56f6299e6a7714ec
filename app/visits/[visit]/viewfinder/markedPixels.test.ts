import { markedPixels } from './markedPixels';

const WIDTH = 40;
const HEIGHT = 30;

function picture(paint: (x: number, y: number) => number): Float32Array {
  return Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => paint(i % WIDTH, Math.floor(i / WIDTH)));
}

test('extremes are where they are', () => {
  const values = picture(() => 18);
  values.set([9, 10], 7 * WIDTH + 3);
  values.set([39, 40], 20 * WIDTH + 38);
  const marked = markedPixels(values, WIDTH);
  expect(marked.coldest).toEqual({ x: 3, y: 7, celsius: 9 });
  expect(marked.hottest).toEqual({ x: 38, y: 20, celsius: 39 });
});

test('a dead pixel is no extreme', () => {
  const values = picture((x) => 18 + x / 100);
  values[7 * WIDTH + 3] = -30;
  values[20 * WIDTH + 30] = 90;
  const { coldest, hottest } = markedPixels(values, WIDTH);
  expect(coldest.celsius).toBeCloseTo(18, 1);
  expect(hottest.celsius).toBeCloseTo(18.38, 1);
});

test('one dead pixel does not stretch the range', () => {
  const values = picture((x) => 10 + x / 10);
  values[0] = -40;
  const { low, high } = markedPixels(values, WIDTH);
  expect(low).toBeGreaterThan(9.5);
  expect(low).toBeLessThan(10.5);
  expect(high).toBeGreaterThan(13.4);
  expect(high).toBeLessThanOrEqual(13.95);
});

test('the middle is the median, the centre the mean of nine pixels', () => {
  const values = picture((x, y) => (x >= 19 && x <= 21 && y >= 14 && y <= 16 ? 30 : 12));
  const { middle, centre } = markedPixels(values, WIDTH);
  expect(Math.abs(middle - 12)).toBeLessThan(0.05);
  expect(centre).toBe(30);
});

test('a picture of one temperature has a range of none', () => {
  const { low, high, coldest, hottest } = markedPixels(
    picture(() => 0),
    WIDTH,
  );
  expect(high - low).toBeLessThan(0.01);
  expect([coldest.celsius, hottest.celsius]).toEqual([0, 0]);
});
