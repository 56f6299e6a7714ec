import fc from 'fast-check';
import { orderInTime } from './order';

const frame = (name: string, clockS: number | null = null) => ({ name, clockS });

test('the camera’s clock wins, and tells how long it was between', () => {
  const { places, times, asGiven } = orderInTime([frame('a9.tif', 100), frame('a1.tif', 40), frame('a2.tif', 70)], 60);
  expect(places).toEqual([1, 2, 0]);
  expect(times).toEqual([0, 30, 60]);
  expect(asGiven).toBe(false);
});

test('without a clock in every file the last number in the names does', () => {
  const { places, times } = orderInTime([frame('f10-b3.tif', 5), frame('f10-b1.tif'), frame('f10-b2.tif')], 90);
  expect(places).toEqual([1, 2, 0]);
  expect(times).toEqual([0, 90, 180]);
});

test('a clock that stands still, or names without numbers, leave the order as given', () => {
  expect(orderInTime([frame('c.tif', 7), frame('a.tif', 7), frame('b.tif', 8)], 10)).toEqual({
    places: [0, 1, 2],
    times: [0, 10, 20],
    asGiven: true,
  });
});

test('a number in the ending is none of the name', () => {
  expect(orderInTime([frame('b.t2'), frame('a.t1')], 1).asGiven).toBe(true);
});

test('every frame has one place, and time goes on', () => {
  fc.assert(
    fc.property(fc.array(fc.record({ name: fc.string(), clockS: fc.option(fc.integer()) }), { maxLength: 20 }), (frames) => {
      const { places, times } = orderInTime(frames, 30);
      expect([...places].sort((a, b) => a - b)).toEqual(frames.map((_, i) => i));
      for (let i = 1; i < times.length; i += 1) expect(times[i]!).toBeGreaterThan(times[i - 1]!);
    }),
  );
});
